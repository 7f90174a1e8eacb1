import { ClockStep } from '@/features/clock/clock-step';

export default function ClockPage() {
  return <ClockStep />;
}
