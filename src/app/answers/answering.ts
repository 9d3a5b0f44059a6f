type Answers = typeof import('./answers').ANSWERS;

/**
 * The handler of a route, by the name of its answer. The answers are loaded at the first request of any of them: imported by each
 * route, they would be built, minified and loaded once for every route there is. What goes wrong in one is told in words.
 */
export const answering = <Name extends keyof Answers>(name: Name): Answers[Name] =>
  (async (request: Request, context: { params?: Promise<{ id?: string }> }) => {
    const { ANSWERS, failureAnswer } = await import('./answers');
    const answer = ANSWERS[name] as (request: Request, context: unknown) => Response | Promise<Response>;
    try {
      return await answer(request, context);
    } catch (error) {
      return failureAnswer(name, error, (await context.params)?.id);
    }
  }) as Answers[Name];
