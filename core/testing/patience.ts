/** Slow machines finish late; a hang still ends. */
jest.setTimeout(60_000);
