import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ClientPage } from '@/features/clients/client-page';
import { clientStory } from '@/features/clients/queries';
import { today } from '@/features/shared';

type Props = { params: Promise<{ clientId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const story = await clientStory((await params).clientId);
  return { title: story?.client.name ?? 'Not found' };
}

export default async function Page({ params }: Props) {
  const story = await clientStory((await params).clientId);
  if (!story) notFound();
  return <ClientPage story={story} today={today()} />;
}
