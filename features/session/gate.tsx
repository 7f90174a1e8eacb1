import type { ReactNode } from 'react';
import { Mark } from '@/ui/mark';

/** The page of somebody who is not in yet, or not any more: what it is, in the middle of the window. */
export function Gate({
  title,
  words,
  wide = false,
  children,
}: {
  title: string;
  words: string;
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <main
      className={`mx-auto grid min-h-dvh w-full content-center gap-6 px-5 py-10 ${wide ? 'max-w-[480px]' : 'max-w-[440px]'}`}
    >
      <div className="flex items-center gap-4">
        <Mark size={52} />
        <div>
          <h1 className="text-2xl leading-tight font-bold wide">{title}</h1>
          <p className="text-ink-soft">{words}</p>
        </div>
      </div>
      {children}
    </main>
  );
}

/** What a link says that opens nothing any more. */
export const GONE_LINK = (
  <p role="alert" className="card p-6">
    This link was used already, withdrawn, or has expired. Ask the owner for a new one.
  </p>
);
