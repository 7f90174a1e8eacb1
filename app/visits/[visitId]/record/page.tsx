import type { Metadata } from 'next';
import { RecordStep } from '@/features/record/record-step';

export const metadata: Metadata = { title: 'Record' };

export default function RecordPage() {
  return <RecordStep />;
}
