/* Squareness on the bench: both diagonals, what they say, pressed and read again; sides and lift where somebody wants them. */
import type { JobCase } from '../case/jobCase';
import type { TapeName } from '../frame/square/corners';
import type { SideWords } from '../job/sideWords';
import { anotherTry } from '../stages/square/planSquare';
import { MOST_TRIES, typedReading } from '../stages/square/squareInputs';
import { finerTape, printFine, printLength } from '../units/length';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';

const FIRST = 'square/down';

/** Steps of reading a frame. */
export function squareSteps(here: JobCase, say: SideWords): BenchStep[] {
  const { inputs, plan, house } = here;
  const { square } = inputs;
  const fine = finerTape(house.tape);
  const target = printLength(plan.square.targetDiagonalMm, fine);
  const read = (name: TapeName | 'lift', label: string, note: string): BenchStep => {
    const value = square[name];
    return {
      // By how it is seen: the first one read is the first one asked for.
      id: `square/${name === 'down' || name === 'up' ? say.seen(name) : name}`,
      stage: 'square',
      group: name === 'down' || name === 'up' ? 'Diagonals' : 'Sides and lift',
      says: label,
      figure: value ? printLength(value.mm, fine) : '?',
      notes: [note],
      aloud: aloud(`${label}. ${note}`),
      act: {
        kind: 'read',
        reading: { kind: 'length', label, of: typedReading(name), value, put: (next) => ({ square: { [name]: next } }) },
      },
      show: name === 'lift' ? SHOW_STAGE : { kind: 'measure', of: name },
    };
  };
  const [first, second] = [say.seen('down'), say.seen('up')];
  const diagonals = [
    read(first, 'Diagonal, top left down', `It should read ${target}.`),
    read(second, 'Diagonal, bottom left up', `It should read ${target}.`),
  ];
  const sides = say.sides.map((side) => read(side, `Side, ${say.side(side)}`, 'Only where the diagonals leave a doubt.'));
  return [
    ...diagonals,
    judged(here),
    ...sides,
    read('lift', 'Corner lift', 'How far the fourth corner stands off a flat table; nothing is 0.'),
  ];
}

/** The difference of the diagonals with what to do about it. */
function judged(here: JobCase): BenchStep {
  const { plan, inputs, house } = here;
  const { result } = plan.square;
  const { square } = inputs;
  const told = here.verdictsOf('square').find((one) => one.id === 'diagonals') ?? null;
  const complete = square.down !== null && square.up !== null;
  const figure = result.kind === 'fitted' ? printFine(Math.abs(result.difference.value), house.tape) : '?';
  const says = told?.says ?? 'Read both diagonals first.';
  const doThis = told?.doThis ?? '';
  return {
    id: 'square/judged',
    stage: 'square',
    group: 'Diagonals',
    says,
    figure,
    notes: doThis === '' ? [] : [doThis],
    aloud: aloud(`${says} ${doThis}`),
    act: {
      kind: 'judge',
      again: complete && square.tries.length < MOST_TRIES ? { square: anotherTry(square) } : null,
      backTo: FIRST,
    },
    show: SHOW_STAGE,
  };
}
