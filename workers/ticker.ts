/**
 * A pulse that goes on while the page is hidden: timers of hidden pages are slowed down, those of workers are
 * not.
 */
const EVERY_MS = 250;

setInterval(() => postMessage(null), EVERY_MS);
