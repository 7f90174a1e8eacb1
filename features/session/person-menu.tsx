'use client';

import { useRouter } from 'next/navigation';
import { Menu } from '@/ui/menu';
import { forgetDevice } from '../offline/forget';
import { signOut } from './actions';
import { useLock } from './idle-lock';

/** Who is signed in, and how to hand the station over. */
export function PersonMenu({ personName, role }: { personName: string; role: string }) {
  const router = useRouter();
  const lock = useLock();
  return (
    <Menu
      label={`${personName}, ${role}`}
      trigger={
        <>
          <span className="block max-w-[5.5rem] truncate md:inline md:max-w-none">{personName}</span>
          <span className="text-ink-soft max-md:hidden">, {role}</span>
        </>
      }
      className="h-10 rounded-ui px-2 md:px-3 text-sm hover:bg-leaf-pale"
      items={[
        { words: 'Lock or switch person', hint: 'by PIN or password', choose: () => void lock() },
        { words: 'PIN, password, sessions', choose: () => router.push('/me') },
        { words: 'Sign out', choose: () => void forgetDevice().then(signOut) },
      ]}
    />
  );
}
