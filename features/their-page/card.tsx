import type { ReactNode } from 'react';

/** One part of a client's page. */
export function Card({ title, hint, children }: { title: string; hint?: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="card grid gap-3 p-4">
      <div>
        <h2 className="text-lg font-bold wide">{title}</h2>
        {hint && <p className="text-sm text-ink-soft">{hint}</p>}
      </div>
      {children}
    </section>
  );
}
