/** Slow machines finish late; a hang still ends. */
jest.setTimeout(300_000);
