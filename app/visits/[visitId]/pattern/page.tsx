import type { Metadata } from 'next';
import { PatternStep } from '@/features/workbench/pattern-step';

export const metadata: Metadata = { title: 'Pattern' };

export default function PatternPage() {
  return <PatternStep />;
}
