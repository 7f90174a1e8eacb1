import { RecordStep } from '@/features/record/record-step';

export default function RecordPage() {
  return <RecordStep />;
}
