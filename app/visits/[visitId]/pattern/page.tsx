import { PatternStep } from '@/features/workbench/pattern-step';

export default function PatternPage() {
  return <PatternStep />;
}
