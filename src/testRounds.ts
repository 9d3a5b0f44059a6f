/** Rounds of a random test: few in `npm test`, all of them in `npm run campaign`, which sets KEEN_BATTEN_THOROUGH. */
export const rounds = (few: number, all: number): number => (process.env.KEEN_BATTEN_THOROUGH === '1' ? all : few);
