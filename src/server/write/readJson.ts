import { type Outcome, done, refuse } from './outcome';

/** Text as JSON, or where it stops being JSON. */
export function readJson(text: string): Outcome<unknown> {
  try {
    return done(JSON.parse(text));
  } catch (error) {
    const at = /position (\d+)/.exec((error as Error).message)?.[1];
    return refuse(`This is not JSON: it ${at === undefined ? 'breaks off' : `cannot be read from letter ${Number(at) + 1} on`}.`);
  }
}
