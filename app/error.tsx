'use client';

import { Button } from '@/ui/button';

export default function Failure({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="mx-auto grid min-h-[70dvh] max-w-[440px] content-center gap-4 px-5 text-center">
      <h1 className="text-2xl font-bold wide">This did not work</h1>
      <p className="text-ink-soft">
        The server could not answer. What was saved is safe; try again in a moment.
      </p>
      <Button look="primary" onClick={reset}>
        Try again
      </Button>
      {error.digest && (
        <p className="text-sm text-ink-soft">
          If it happens again, whoever runs the server can find it in the log under {error.digest}.
        </p>
      )}
    </main>
  );
}
