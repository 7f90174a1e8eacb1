import { WearStep } from '@/features/wear/wear-step';

export default function WearPage() {
  return <WearStep />;
}
