import type { Metadata } from 'next';
import { MixStep } from '@/features/mix/mix-step';

export const metadata: Metadata = { title: 'Mix' };

export default function MixPage() {
  return <MixStep />;
}
