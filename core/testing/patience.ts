/** Slow machines finish late, and those that do several things at once later still; a hang still ends. */
jest.setTimeout(600_000);
