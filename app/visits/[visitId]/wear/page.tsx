import type { Metadata } from 'next';
import { WearStep } from '@/features/wear/wear-step';

export const metadata: Metadata = { title: 'Wear' };

export default function WearPage() {
  return <WearStep />;
}
