import { effortOf, withMinutes } from '../../effort/effort';
import { bare } from '../../quantities/printed';
import { type MeasuredRebate, planRebate, rebateReadings } from '../../painting/planRebate';
import { oldFoldVerdicts, tornVerdicts } from '../../painting/foundVerdicts';
import type { PaintingPlan } from '../../painting/planPainting';
import { farthestCorner, placedVerdicts, turnWords } from '../../painting/paintingVerdicts';
import { rebateVerdicts } from '../../painting/rebateVerdicts';
import { profileOf } from '../../house/materials';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { EDGES, MEDIUMS, USES, byId } from '../../house/schools';
import { type Verdict, verdict } from '../../job/verdict';
import type { ClothPlan } from '../cloth/planCloth';
import { foldVerdicts } from '../cloth/planFold';
import { FRONT_WORDS } from '../../job/sideWords';
import { printFine, printSize } from '../../units/length';
import type { PlanContext, StagePlan } from '../planContext';

export interface BriefPlan extends StagePlan {
  /** How the canvas lies in the frame it goes into; null where it goes into none. */
  rebate: MeasuredRebate | null;
  /** Where the face lies on a painted image, and what each side allows; null for a blank cloth. */
  painting: PaintingPlan | null;
}

/** The brief in one line and what it asks of the later stages. */
export function planBrief(
  inputs: JobInputs,
  context: PlanContext,
  { painting, corners }: Pick<ClothPlan, 'painting' | 'corners'>,
): BriefPlan {
  const { brief } = inputs;
  const use = byId(USES, brief.use);
  const edges = byId(EDGES, brief.edges);
  return {
    answer: printSize(brief.width.mm, brief.height.mm, context.tape),
    answerNote: painting?.registration
      ? `frame ${turnWords(painting.registration.turnDegrees, FRONT_WORDS)} on the image, ${printFine(farthestCorner(painting.registration), context.tape)} off at the farthest corner`
      : `${use.name}, ${edges.name.toLowerCase()}, ${byId(MEDIUMS, brief.medium).name.toLowerCase()}`,
    verdicts: [
      ...sizeVerdicts(inputs),
      ...(painting
        ? [
            ...imageVerdicts(),
            // The image is looked at: left and right are those of the front, whatever the bench lies like.
            ...placedVerdicts(inputs, painting, { ...context, view: 'front' }),
            ...oldFoldVerdicts(inputs, painting, { ...context, view: 'front' }),
            ...tornVerdicts(inputs, painting, { ...context, view: 'front' }),
            ...foldVerdicts(inputs, corners, context),
          ]
        : []),
      ...edgeVerdicts(inputs, context),
      ...rebateVerdicts(inputs, context, painting?.registration?.corners ?? null),
    ],
    readings: rebateReadings(inputs, context.rules),
    ...withMinutes(
      painting ? effortOf(context.rules, [], { placeEach: 1 }) : effortOf(context.rules, ['briefSetUp'], { briefEach: 1 }),
    ),
    setsMinutes: null,
    rebate: planRebate(inputs, context),
    painting,
  };
}

function sizeVerdicts({ brief }: JobInputs): Verdict[] {
  const ratio = Math.max(brief.width.mm, brief.height.mm) / Math.min(brief.width.mm, brief.height.mm);
  if (ratio < 6) return [];
  return [
    verdict({
      id: 'proportion',
      about: 'proportion',
      level: 'watch',
      measured: ratio,
      limit: 6,
      of: 'ratio',
      says: `One side is ${bare('ratio', ratio)} times the other.`,
      because: 'Usual canvases stay under six to one; a slipped unit gives more.',
      doThis: 'Check both lengths and their units.',
    }),
  ];
}

function imageVerdicts(): Verdict[] {
  return [
    verdict({
      id: 'paintedCanvas',
      about: 'painted canvas',
      level: 'watch',
      says: 'There is an image on this cloth: no water, no cut corners.',
      because: 'Old paint and inks crack at folds and when wetted.',
      doThis: 'Keep it dry and whole. What was seen of it, and who decided, stands under Look.',
    }),
  ];
}

function edgeVerdicts({ brief, bars }: JobInputs, { rules }: PlanContext): Verdict[] {
  const shallow = profileOf(rules, bars.profile).depthMm < assumed(rules, 'deepFrom');
  if (!byId(EDGES, brief.edges).sidesShow || !shallow) return [];
  return [
    verdict({
      id: 'edgesInSight',
      about: 'edges in sight',
      level: 'watch',
      says: 'The edges will be seen; the bars chosen so far are shallow.',
      because: 'Unframed work is usually stretched on deep bars.',
      doThis: 'Look at the deep bar in the next stage, or keep it slim on purpose.',
      uses: ['deepFrom'],
    }),
  ];
}
