import { MixStep } from '@/features/mix/mix-step';

export default function MixPage() {
  return <MixStep />;
}
