import { printed } from '../../quantities/printed';
import { MARGIN_STYLES } from '../../cloth/marginStyles';
import { usedFold } from '../../cloth/usedFold';
import type { Fastener } from '../../fasten/fasteners';
import { type Handwork, type RoutePlan } from '../../fasten/routeSteps';
import { ROUTES, type Route } from '../../fasten/routes';
import { profileOf, woodOf } from '../../house/materials';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { byId } from '../../house/schools';
import { sideWords } from '../../job/sideWords';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import type { PaintingPlan } from '../../painting/planPainting';
import { printFine, printLength } from '../../units/length';
import { clothRefusal } from './clothRefusal';
import type { PlanContext } from '../planContext';
import { unheldSides } from './jobRoute';
import { DENSE_KG_M3, rowVerdicts } from './rowVerdicts';

export interface FastenPlanned {
  painting: PaintingPlan | null;
  route: RoutePlan;
  /** So many of its fasteners are tacks. */
  tacks: number;
  fastener: Fastener;
  hands: Handwork;
}

/** Whether the fasteners hold as they are placed, suit cloth, wood and ground, and what they cost the hand. */
export const fastenVerdicts = (
  inputs: JobInputs,
  context: PlanContext,
  { painting, route, tacks, fastener, hands }: FastenPlanned,
): Verdict[] => [
  ...unheldVerdicts(painting, context),
  ...paintedTensionVerdict(inputs, painting !== null, context),
  ...rowVerdicts(inputs, route, context),
  ...fastenerVerdicts(inputs, fastener, context),
  ...rustVerdict(inputs, fastener, context),
  ...magazineVerdict(route.fasteners - tacks, fastener, context),
  walkVerdict(inputs, hands, context),
  ...routeVerdicts(inputs, route, painting !== null),
  ...handVerdict(hands.squeezes, fastener, context),
  foldVerdict(inputs),
];

function routeVerdicts({ fasten }: JobInputs, route: RoutePlan, painted: boolean): Verdict[] {
  const row: Route = byId(ROUTES, fasten.route);
  const held = route.steps.filter((step) => step.act === 'hold').length;
  const refusal = clothRefusal(route);
  return [
    ...(painted && !row.registers
      ? [
          verdict({
            id: 'route',
            about: 'route',
            level: 'watch',
            says: 'A finished painting wants the registered route.',
            because: 'In clamps the image is lined up with low force before anything is fixed.',
            doThis: 'Choose Registered.',
          }),
        ]
      : []),
    ...(fasten.pulls === 'worked' && refusal
      ? [
          verdict({
            id: 'pullsRefused',
            about: 'pulls that are not worked out',
            level: row.needsPulls ? 'stop' : 'watch',
            says: 'Pulls are not worked out for this canvas: it goes as taught.',
            because: refusal,
            doThis: row.needsPulls ? 'Take another route, or set them wider.' : 'Go by the feel of the cloth, or set them wider.',
          }),
        ]
      : []),
    ...(row.needsPulls && fasten.pulls !== 'worked'
      ? [
          verdict({
            id: 'routePulls',
            about: 'route without its pulls',
            level: 'stop',
            says: 'This order ends badly unless every pull is that of its list.',
            because: 'A whole side is set before the next: pulled alike, the first side ends with little, the last with most.',
            doThis: 'Take “Worked out” under Pulls, or another route.',
          }),
        ]
      : []),
    verdict({
      id: 'lookAt',
      about: 'what to look at',
      level: 'good',
      says: row.checks[0]!.says,
      because: `${row.name}: ${row.suits}.`,
      doThis: [
        ...row.checks.slice(1).map((one) => one.says),
        ...(held > 0 ? [`${held} hold for the time being: count them out.`] : []),
      ].join(' '),
    }),
  ];
}

/** Least of the two ends that each side was planned with; null where the plan tells none. */
const unheldVerdicts = (painting: PaintingPlan | null, { view }: PlanContext): Verdict[] => {
  const sides = unheldSides(painting).map(sideWords(view).side);
  if (sides.length === 0) return [];
  return [
    verdict({
      id: 'unheld',
      about: 'sides that hold nothing',
      level: 'stop',
      says: `Nothing can be fastened at the ${sides.join(' and the ')}: no place is planned there.`,
      because: 'Too little cloth is left to pass the edge and hold a tack clear of its raw edge.',
      doThis: 'Stop here and ask a conservator about strip-lining.',
      uses: ['rawEdge'],
    }),
  ];
};

/** A painting is stretched gently, whatever the bars would bear. */
function paintedTensionVerdict({ bars }: JobInputs, painted: boolean, { rules }: PlanContext): Verdict[] {
  const most = assumed(rules, 'paintedMost');
  if (!painted || bars.tensionNPerM <= most) return [];
  return [
    verdict({
      id: 'paintedTension',
      about: 'tension for a painting',
      level: levelAtMost(bars.tensionNPerM, most, 1.5 * most),
      measured: bars.tensionNPerM,
      limit: most,
      of: 'tension',
      says: `${printed('tension', bars.tensionNPerM)} is aimed at; ${printed('tension', most)} is the most for a painting.`,
      because: 'Old paint does not stretch with its cloth: it cracks.',
      doThis: 'Aim lower under Bars. A painting of value: a conservator first.',
      uses: ['paintedMost'],
    }),
  ];
}

function fastenerVerdicts({ bars, cloth }: JobInputs, fastener: Fastener, { tape, rules }: PlanContext): Verdict[] {
  const profile = profileOf(rules, bars.profile);
  const list: Verdict[] = [];
  const wood = woodOf(rules, bars.species);
  const into = fastener.seen ? profile.widthMm : profile.depthMm;
  const most = into * assumed(rules, 'legShare');
  if (fastener.legMm > most)
    list.push(
      verdict({
        id: 'leg',
        about: 'leg',
        level: 'stop',
        measured: fastener.legMm,
        limit: most,
        of: 'leg',
        says: `A leg of ${printFine(fastener.legMm, tape)} is too long for ${printLength(into, tape)} of wood.`,
        because: 'Too heavy a fastener splits thin bars.',
        doThis: 'Take a finer one.',
        uses: ['legShare'],
      }),
    );
  else if (fastener.legMm === 10 && wood.densityKgM3 > DENSE_KG_M3)
    list.push(
      verdict({
        id: 'leg',
        about: 'leg',
        level: 'watch',
        measured: 10,
        limit: 8,
        of: 'leg',
        says: `A leg of ${printFine(fastener.legMm, tape)} will not go into ${wood.name.toLowerCase()}.`,
        because: 'Longer ones will not go into dense wood.',
        doThis: `Take ${printFine(6, tape)} or ${printFine(8, tape)}.`,
      }),
    );
  if (fastener.seen && !byId(MARGIN_STYLES, cloth.marginStyle).onEdge)
    list.push(
      verdict({
        id: 'kind',
        about: 'kind',
        level: 'good',
        says: 'Tacks are for where they are seen.',
        because: 'On the back staples are quicker and hold as well.',
      }),
    );
  return list;
}

/** Plain wire in a damp place, or under something that rusts it. */
function rustVerdict({ prime }: JobInputs, fastener: Fastener, { rules }: PlanContext): Verdict[] {
  const from = assumed(rules, 'dampFrom');
  if (prime.roomRh < from) return [];
  return [
    verdict({
      id: 'rust',
      about: 'rust',
      level: fastener.stainless ? 'good' : 'watch',
      measured: prime.roomRh,
      limit: from,
      of: 'humidity',
      says: fastener.stainless
        ? 'Stainless: right for a damp place.'
        : `${printed('humidity', prime.roomRh)} is a damp place for plain wire.`,
      because: 'Plain staples and tacks rust, stain the cloth and rot it round the holes.',
      doThis: fastener.stainless
        ? ''
        : fastener.seen
          ? 'Take coated tacks, or stainless staples where none are seen.'
          : 'Take stainless staples.',
      uses: ['dampFrom'],
    }),
  ];
}

function magazineVerdict(count: number, fastener: Fastener, { rules }: PlanContext): Verdict[] {
  if (!fastener.squeezed || count === 0) return [];
  const holds = assumed(rules, 'magazine');
  const all = Math.ceil(count * (1 + assumed(rules, 'sparePercent') / 100));
  const fills = Math.ceil(all / holds);
  return [
    verdict({
      id: 'magazines',
      about: 'magazines',
      level: 'good',
      says: `${all} staples with spares: ${fills === 1 ? 'one magazine' : `the magazine is filled ${fills} times`}.`,
      because: `${holds} in a magazine; running out half-way is the usual complaint.`,
      doThis: fills > 1 ? 'Fill it between rounds, not in the middle of one.' : '',
      uses: ['magazine', 'sparePercent'],
    }),
  ];
}

function walkVerdict({ brief }: JobInputs, hands: Handwork, { tape, rules }: PlanContext): Verdict {
  const most = assumed(rules, 'turnMost');
  const long = Math.max(brief.width.mm, brief.height.mm);
  const walks = long > most;
  return verdict({
    id: 'turnOrWalk',
    about: 'turn or walk',
    level: 'good',
    says: walks
      ? `Let it lie and walk round it: about ${printLength(1000 * Math.round(hands.walkM), tape)}.`
      : `Turn it on the table: ${hands.turns} ×; walking would be ${printLength(1000 * Math.round(hands.walkM), tape)}.`,
    because: `Frames over ${printLength(most, tape)} rack when they are turned by one pair of hands.`,
    doThis: walks
      ? 'More pairs a side each turn save walking. Over ' +
        printed('mass', assumed(rules, 'twoPeopleKg'), tape) +
        ' or ' +
        printLength(assumed(rules, 'twoPeopleMm'), tape) +
        ': two people lift.'
      : '',
    uses: ['turnMost'],
  });
}

function handVerdict(count: number, fastener: Fastener, { rules }: PlanContext): Verdict[] {
  if (!fastener.squeezed) return [];
  const limit = assumed(rules, 'handLimit');
  const ok = count <= limit;
  return [
    verdict({
      id: 'hand',
      about: 'hand',
      level: ok ? 'good' : 'watch',
      measured: count,
      limit,
      of: 'squeezes',
      says: `${printed('squeezes', count)} of a hand stapler, ${limit} is enough for a day.`,
      because: 'Repeated squeezing strains the hand.',
      doThis: ok
        ? 'Change hands; eye protection on; never towards a hand.'
        : 'Spread it over two days or use a powered stapler: it bounces, hold it flat.',
      uses: ['handLimit'],
    }),
  ];
}

const foldVerdict = ({ brief, cloth }: JobInputs): Verdict =>
  verdict({
    id: 'corners',
    about: 'corners',
    level: 'good',
    says: `Fold all four corners alike (${usedFold({ brief, cloth }).name.toLowerCase()}), seams to ${cloth.seams === 'topBottom' ? 'top and bottom' : 'left and right'}.`,
    because:
      cloth.seams === 'topBottom'
        ? 'Least seen there; left and right are mirror images.'
        : 'As chosen; top and bottom are mirror images.',
    doThis: 'Under layer first; nothing may stand out beyond the edge.',
  });
