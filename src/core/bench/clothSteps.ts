/* The cloth on the table: how much is taken off the roll and how; on a painting, the margins that are left. */
import type { JobCase } from '../case/jobCase';
import { TAPE_NAMES, isDiagonal } from '../frame/square/corners';
import type { SideWords } from '../job/sideWords';
import { capital } from '../painting/paintingVerdicts';
import { finerTape, printLength } from '../units/length';
import { aloud } from './aloud';
import { type BenchStep, SHOW_STAGE } from './benchStep';
import { type MarginRead, marginSteps } from './marginSteps';

/** Steps of cutting, or of measuring a painting. */
export function clothSteps(here: JobCase, say: SideWords): BenchStep[] {
  const { plan, inputs, house } = here;
  const { cloth } = plan;
  if (cloth.painted) {
    const of: MarginRead = {
      stage: 'cloth',
      group: 'Margins left',
      ends: inputs.cloth.left,
      wanted: null,
      says: (side, end) => `Margin left, ${say.side(side)} at its ${end} end`,
      note: 'From the painted edge to the edge of the cloth; never cut, never wetted.',
      put: (left) => ({ cloth: { left } }),
    };
    return [...imageSteps(here, say), ...marginSteps(of, house.tape, say)];
  }
  const sizes = [
    { id: 'width', says: 'Cloth, across the canvas', mm: cloth.cut.widthMm },
    { id: 'height', says: 'Cloth, down the canvas', mm: cloth.cut.heightMm },
  ].map(({ id, says, mm }): BenchStep => {
    const figure = printLength(mm, house.tape, 'up');
    return {
      id: `cloth/${id}`,
      stage: 'cloth',
      group: 'Size',
      says,
      figure,
      notes: [`warp ${inputs.cloth.warp === 'height' ? 'down' : 'across'} the canvas`, cloth.fabric.name],
      aloud: aloud(`${says}, ${figure}`),
      act: { kind: 'do' },
      show: SHOW_STAGE,
    };
  });
  const { steps, way } = cloth.cutting;
  const cutting = steps.map((one, index): BenchStep => ({
    id: `cloth/cut/${index}`,
    stage: 'cloth',
    group: capital(way),
    says: one,
    figure: `${index + 1} of ${steps.length}`,
    notes: [],
    aloud: aloud(one),
    act: { kind: 'do' },
    show: SHOW_STAGE,
  }));
  return [...sizes, ...cutting];
}

/** Sides and diagonals of the painted image, in the order of a list. */
function imageSteps({ inputs: { cloth }, house: { tape } }: JobCase, say: SideWords): BenchStep[] {
  const { painting } = cloth;
  const fine = finerTape(tape);
  return TAPE_NAMES.map((name): BenchStep => {
    const value = painting[name];
    const diagonal = isDiagonal(name);
    const label = `Image, ${diagonal ? `diagonal ${say.diagonal(name)}` : `${say.side(name)} side`}`;
    return {
      id: `cloth/image/${name}`,
      stage: 'cloth',
      group: 'Image',
      says: label,
      figure: value ? printLength(value.mm, fine) : '?',
      notes: ['Where the paint ends. Flaking, torn or of value: stop, ask a conservator.'],
      aloud: aloud(label),
      act: {
        kind: 'read',
        reading: {
          kind: 'length',
          label,
          of: 'sideReading',
          value,
          put: (next) => ({ cloth: { painting: { ...painting, [name]: next } } }),
        },
      },
      show: { kind: 'measure', of: name },
    };
  });
}
