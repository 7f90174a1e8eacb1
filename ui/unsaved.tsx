'use client';

import { useEffect, useState } from 'react';
import { Button } from './button';
import { Dialog } from './dialog';
import { UNSAVED } from './unsaved-forms';

const SWITCHES = '[role=switch], [role=radio], [role=checkbox]';

function markChanged(event: Event) {
  if (!(event.target instanceof Element)) return;
  if (event.type === 'click' && !event.target.closest(SWITCHES)) return;
  event.target.closest('form[data-asks]')?.setAttribute('data-changed', 'true');
}

function markSent(event: Event) {
  if (event.target instanceof Element) event.target.removeAttribute('data-changed');
}

/**
 * Asks before a page with a changed form is left: by a link of the page in a window of ours, by the browser
 * in one of its own.
 * A form that says `data-asks` is marked as soon as something in it is changed, and no more once it is sent.
 * It works for
 * fields of every kind, since it listens to what they tell the page.
 */
export function UnsavedGuard() {
  const [link, setLink] = useState<HTMLAnchorElement>();
  useEffect(() => {
    const leaving = (event: BeforeUnloadEvent) => {
      if (document.querySelector(UNSAVED)) event.preventDefault();
    };
    const followed = (event: MouseEvent) => {
      const element =
        event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href]') : null;
      if (
        !element ||
        element.target === '_blank' ||
        element.hash !== '' ||
        element.hasAttribute('download') ||
        event.ctrlKey ||
        event.metaKey ||
        !document.querySelector(UNSAVED)
      )
        return;
      event.preventDefault();
      event.stopPropagation();
      setLink(element);
    };
    const changes = ['input', 'change', 'click'] as const;
    for (const name of changes) document.addEventListener(name, markChanged);
    document.addEventListener('submit', markSent);
    document.addEventListener('click', followed, true);
    window.addEventListener('beforeunload', leaving);
    return () => {
      for (const name of changes) document.removeEventListener(name, markChanged);
      document.removeEventListener('submit', markSent);
      document.removeEventListener('click', followed, true);
      window.removeEventListener('beforeunload', leaving);
    };
  }, []);
  return (
    <Dialog open={link !== undefined} onOpenChange={() => setLink(undefined)} title="Leave without saving?">
      <p className="mb-4 text-base">What you changed on this page is not saved yet.</p>
      <div className="flex justify-end gap-3">
        <Button onClick={() => setLink(undefined)}>Stay</Button>
        <Button
          look="primary"
          onClick={() => {
            for (const form of document.querySelectorAll(UNSAVED)) form.removeAttribute('data-changed');
            setLink(undefined);
            link?.click();
          }}
        >
          Leave
        </Button>
      </div>
    </Dialog>
  );
}
