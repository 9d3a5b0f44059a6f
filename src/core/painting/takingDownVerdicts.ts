/* What is judged when a painting comes off its bars: whether hands may, and how it is kept. */
import { assumed } from '../house/houseRules';
import type { JobInputs } from '../job/job';
import { type Verdict, verdict } from '../job/verdict';
import { printed } from '../quantities/printed';
import { type ActId, mayBeDone } from '../stages/look/mayBeDone';
import type { PlanContext } from '../stages/planContext';
import type { TakenDown } from './takenDownWork';

type Kept = Pick<TakenDown, 'kept' | 'paint' | 'faceOut' | 'coreMm'>;

/**
 * Whether a work may come off its bars and be kept so; a stop refuses it. Of cloth that is given up only the first is asked.
 *
 * @param kept null where the cloth is given up
 */
export const takingDownVerdicts = (inputs: JobInputs, kept: Kept | null, context: PlanContext): Verdict[] => [
  ...forbidden(inputs, {
    act: 'unfasten',
    about: 'taking it off',
    doThis: 'Leave it on its bars. Ask a conservator, and write into its file who decided and what was said.',
  }),
  ...(kept?.kept === 'rolled'
    ? [
        ...forbidden(inputs, { act: 'roll', about: 'rolling it', doThis: 'Keep it flat, face up, with smooth paper over it.' }),
        ...faceVerdict(kept),
        coreVerdict(kept, context),
      ]
    : []),
];

/** The stop of an act that the file of a work does not allow. */
function forbidden(inputs: JobInputs, { act, about, doThis }: { act: ActId; about: string; doThis: string }): Verdict[] {
  const permission = mayBeDone(act, inputs);
  if (permission.may === 'allowed') return [];
  const { says, because } = permission;
  return [verdict({ id: act, about, level: 'stop', says, because, doThis })];
}

const faceVerdict = ({ faceOut }: Kept): Verdict[] =>
  faceOut
    ? []
    : [
        verdict({
          id: 'rollFace',
          about: 'face of the roll',
          level: 'stop',
          says: 'Rolled face in, the paint is pressed together.',
          because: 'Paint that is pressed together creases and lifts; face out it is only stretched a little.',
          doThis: 'Roll it face out, or keep it flat.',
        }),
      ];

function coreVerdict({ paint, coreMm }: Kept, { rules, tape }: PlanContext): Verdict {
  const id = paint === 'thin' ? 'coreThin' : 'coreThick';
  const least = assumed(rules, id);
  const narrow = coreMm < least;
  const paintWords = { thin: 'Thin, supple paint', thick: 'Thick or stiff paint', notSaid: 'Paint that nobody has judged' }[
    paint
  ];
  return verdict({
    id: 'rollCore',
    about: 'core',
    level: narrow ? 'stop' : paint === 'thick' ? 'watch' : 'good',
    measured: coreMm,
    limit: least,
    of: 'core',
    says: `A core of ${printed('core', coreMm, tape)}; at least ${printed('core', least, tape)} here.`,
    because: `${paintWords} bends round that much and no less.`,
    doThis: narrow
      ? 'Take a wider core, or keep it flat.'
      : paint === 'thick'
        ? 'Flat is kinder to thick paint, where there is room.'
        : '',
    uses: [id],
  });
}
