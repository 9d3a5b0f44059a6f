type Answers = typeof import('./answers').ANSWERS;

/**
 * The handler of a route, by the name of its answer. The answers are loaded at the first request of any of them: imported by each
 * route, they would be built, minified and loaded once for every route there is.
 */
export const answering = <Name extends keyof Answers>(name: Name): Answers[Name] =>
  (async (request: Request, context: never) => {
    const { ANSWERS } = await import('./answers');
    return (ANSWERS[name] as (request: Request, context: never) => Response | Promise<Response>)(request, context);
  }) as Answers[Name];
