/** Works through all steps of something and returns what comes of it. */
export function toEnd<T>(steps: Generator<unknown, T>): T {
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}

/** The same steps, with nothing to show on the way. */
export function* silently<T>(steps: Generator<unknown, T>): Generator<null, T> {
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    yield null;
  }
}
