import type { Metadata } from 'next';
import { ClockStep } from '@/features/clock/clock-step';

export const metadata: Metadata = { title: 'Clock' };

export default function ClockPage() {
  return <ClockStep />;
}
