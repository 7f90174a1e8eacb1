import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { ClientPage } from '@/features/clients/client-page';
import { clientStory, whereMerged } from '@/features/clients/queries';
import { salonCalendar } from '@/features/house/queries';

type Props = { params: Promise<{ clientId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const story = await clientStory((await params).clientId);
  return { title: story?.client.name ?? 'Not found' };
}

export default async function Page({ params }: Props) {
  const { clientId } = await params;
  const story = await clientStory(clientId);
  if (!story) {
    const other = await whereMerged(clientId);
    if (other) redirect(`/clients/${other}`);
    notFound();
  }
  return <ClientPage story={story} calendar={await salonCalendar()} />;
}
