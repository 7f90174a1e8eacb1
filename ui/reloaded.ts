/** Whether this window was loaded anew where it stood: then what was open in it comes back. */
export function wasReloaded(): boolean {
  const [entry] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[];
  return entry?.type === 'reload';
}
