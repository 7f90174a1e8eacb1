/** Where to go on after unlocking: a path of this application, never another site. */
export function placeAfter(to: string): string {
  return /^\/(clients|visits|house|me|chair)(?:[/?][\w\-./?=&%]*)?$/.test(to) && !to.includes('..')
    ? to
    : '/clients';
}
