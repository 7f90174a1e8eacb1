import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { isVisitStep, stepName } from '@/features/visit/step-names';

type Props = { params: Promise<{ step: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: stepName((await params).step) };
}

/**
 * Every step is drawn by the page of the visit, which knows them all; this only says which of them there are.
 */
export default async function StepPage({ params }: Props) {
  if (!isVisitStep((await params).step)) notFound();
  return null;
}
