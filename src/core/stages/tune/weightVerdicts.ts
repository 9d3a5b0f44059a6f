/* The tension that a weight tells, and whether the cloth stretched under it. */
import { tensionWords } from './tensionWords';
import { printed } from '../../quantities/printed';
import { printLength } from '../../units/length';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import type { Reading } from '../../log/logEntry';
import { reading } from '../../log/reading';
import { profileOf } from '../../house/materials';
import { freeSpan } from '../../tension/freeSpan';
import { USES, byId } from '../../house/schools';
import { type Verdict, verdict } from '../../job/verdict';
import { STRETCHES_BELOW, type TensionByWeight, sagsAlike, tensionFromSag } from '../../tension/weightTest';
import type { PlanContext } from '../planContext';
import { aimJudged } from './againstAim';

/** The lighter weight is believed: it stretches the cloth least. Null where nothing was read, or nothing can be. */
export function weighedTension({ brief, bars, tune }: JobInputs, { rules }: PlanContext): TensionByWeight | null {
  const { disc, lightG, heavyG, lightSag, heavySag } = tune.weight;
  const face = freeSpan({ widthMm: brief.width.mm, heightMm: brief.height.mm }, profileOf(rules, bars.profile));
  const read = lightSag ? { weightG: lightG, sag: lightSag } : heavySag ? { weightG: heavyG, sag: heavySag } : null;
  if (!read || read.sag.mm <= 0 || disc.mm >= Math.min(face.widthMm, face.heightMm)) return null;
  return tensionFromSag(face, { weightG: read.weightG, discMm: disc.mm }, read.sag.mm, assumed(rules, 'sagPrecision'));
}

export const weightWords = ({ tensionNPerM, sdNPerM }: TensionByWeight): string => tensionWords(tensionNPerM, sdNPerM);

/** Smaller discs stretch the cloth under them, mm. */
const LEAST_DISC_MM = 60;

export function weightVerdicts(inputs: JobInputs, tension: TensionByWeight | null, { tape }: PlanContext): Verdict[] {
  const { brief, bars, tune } = inputs;
  const { disc, lightG, heavyG, lightSag, heavySag } = tune.weight;
  if (!lightSag && !heavySag) return [];
  if (byId(USES, brief.use).painted)
    return [
      verdict({
        id: 'weightOnPainting',
        about: 'weight on a painting',
        level: 'stop',
        says: 'No weight is laid on a painting.',
        because: 'It dents paint and ground where it lies.',
        doThis: 'Go by the feel of the back; ask a conservator for a number.',
      }),
    ];
  if (!tension)
    return [
      verdict({
        id: 'weight',
        about: 'weight',
        level: 'watch',
        says: 'No tension can be told from this sag and disc.',
        because: 'A weight sags at least a little, and the disc lies inside the face.',
        doThis: 'Read the sag in the middle again.',
      }),
    ];
  return [
    tensionVerdict(tension, bars.tensionNPerM),
    ...(lightSag && heavySag && lightSag.mm > 0 && heavySag.mm > 0 && heavyG > lightG
      ? [stretchVerdict(sagsAlike({ weightG: lightG, sagMm: lightSag.mm }, { weightG: heavyG, sagMm: heavySag.mm }))]
      : []),
    ...(disc.mm < LEAST_DISC_MM
      ? [
          verdict({
            id: 'disc',
            about: 'disc',
            level: 'watch',
            measured: disc.mm,
            limit: LEAST_DISC_MM,
            of: 'disc',
            says: `A disc of ${printLength(disc.mm, tape)} is small.`,
            because: 'The cloth stretches under it, and the tension reads up to 30 % high.',
            doThis: `Take one ${printLength(60, tape)} to ${printLength(80, tape)} across.`,
          }),
        ]
      : []),
  ];
}

function tensionVerdict(tension: TensionByWeight, aimed: number): Verdict {
  const near = 'Note the room’s air with it: the lasting use is to compare this canvas with its own past.';
  return verdict({
    ...aimJudged(tension.tensionNPerM, tension.sdNPerM, aimed, near),
    id: 'tensionByWeight',
    about: 'tension by weight',
    measured: tension.tensionNPerM,
    limit: aimed,
    of: 'tension',
    says: `${weightWords(tension)} by weight; ${printed('tension', aimed)} is aimed at.`,
    because:
      'From the sag in the middle by the series of a sheet held at its edge. One number, near the mean of both ways; not checked on real canvases yet.',
    uses: ['sagPrecision'],
  });
}

const stretchVerdict = (alike: number): Verdict =>
  verdict({
    id: 'stretchUnderWeight',
    about: 'stretch under the weight',
    level: alike < STRETCHES_BELOW || alike > 1 / STRETCHES_BELOW ? 'watch' : 'good',
    measured: alike,
    limit: STRETCHES_BELOW,
    of: 'ratio',
    says:
      alike < STRETCHES_BELOW
        ? 'The heavier weight sags less than it should: the cloth stretches under it.'
        : alike > 1 / STRETCHES_BELOW
          ? 'The heavier weight sags more than it should: one of the two is misread.'
          : 'Both weights tell the same tension.',
    because: 'Where only tension holds it up, the sag goes as the weight.',
    doThis:
      alike < STRETCHES_BELOW
        ? 'Believe the lighter one, and a larger disc.'
        : alike > 1 / STRETCHES_BELOW
          ? 'Read both again.'
          : '',
  });

export const weightReadings = (tension: TensionByWeight | null): Reading[] =>
  tension
    ? [
        reading('tensionByWeight', Math.round(tension.tensionNPerM), 'N/m', {
          precision: Math.round(tension.sdNPerM),
          tool: 'weight and rule',
        }),
      ]
    : [];
