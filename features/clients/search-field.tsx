'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { SearchIcon } from '@/ui/icons';

/** Finds clients as you type; the words stand in the address, so a reload or a shared link finds the same. */
export function SearchField({ search, archived }: { search: string; archived: boolean }) {
  const router = useRouter();
  const [text, setText] = useState(search);
  const asked = useRef(search);
  useEffect(() => {
    if (text === asked.current) return;
    const timer = setTimeout(() => {
      asked.current = text;
      const words = new URLSearchParams({
        ...(archived && { away: 'yes' }),
        ...(text.trim() && { find: text.trim() }),
      });
      router.replace(`/clients${words.size > 0 ? `?${words}` : ''}`, { scroll: false });
    }, 150);
    return () => clearTimeout(timer);
  }, [text, router, archived]);
  return (
    <label className="relative block w-full max-w-[420px]">
      <span className="sr-only">Find a client by name, phone, e-mail, note or pattern</span>
      <span className="pointer-events-none absolute inset-y-0 left-3 grid place-items-center text-ink-soft">
        <SearchIcon />
      </span>
      <input
        type="search"
        value={text}
        onChange={(event) => setText(event.target.value)}
        maxLength={200}
        placeholder="Find by name, phone, note or pattern"
        className="h-11 w-full rounded-ui border border-edge bg-field pr-3 pl-10 text-md placeholder:text-ink-soft hover:border-ink"
      />
    </label>
  );
}
