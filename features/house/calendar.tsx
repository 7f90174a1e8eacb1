'use client';

import { createContext, useContext, type ReactNode } from 'react';
import { calendarOf, type Calendar } from '@/core/units';
import { useHouse } from './context';

const Context = createContext<Calendar | undefined>(undefined);

/** Days and times as the house writes them. */
export function useCalendar(): Calendar {
  const house = useHouse();
  return useContext(Context) ?? calendarOf(house);
}

/** For pages that keep how the house writes, and do not ask the server for the house. */
export function CalendarProvider({ calendar, children }: { calendar: Calendar; children: ReactNode }) {
  return <Context.Provider value={calendar}>{children}</Context.Provider>;
}
