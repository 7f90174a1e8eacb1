import { ConsultStep } from '@/features/consult/consult-step';

export default function ConsultPage() {
  return <ConsultStep />;
}
