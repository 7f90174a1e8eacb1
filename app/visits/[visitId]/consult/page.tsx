import type { Metadata } from 'next';
import { ConsultStep } from '@/features/consult/consult-step';

export const metadata: Metadata = { title: 'Consult' };

export default function ConsultPage() {
  return <ConsultStep />;
}
