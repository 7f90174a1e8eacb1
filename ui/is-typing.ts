/** Whether a key goes into something that is written in: a page's own keys leave it alone. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && target.type !== 'range') ||
    target instanceof HTMLSelectElement
  );
}
