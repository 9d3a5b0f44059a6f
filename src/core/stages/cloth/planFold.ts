import { printed } from '../../quantities/printed';
import { rebateRoom } from '../../painting/planRebate';
import type { CornerFold, SeamFaces } from '../../cloth/cornerFolds';
import { usedFold } from '../../cloth/usedFold';
import { type CornerPattern, type PatternSize, cardPattern, sparePattern, wholeCorner } from '../../cloth/cornerTemplate';
import type { CutSize } from '../../cloth/cutSize';
import type { Fabric } from '../../cloth/fabrics';
import { type CornerLayers, cornerLayers } from '../../cloth/foldedCorner';
import { CORNERS, type Corner } from '../../frame/square/corners';
import type { Profile } from '../../frame/profiles';
import { assumed } from '../../house/houseRules';
import type { JobInputs } from '../../job/job';
import { EDGES, byId, isPainted } from '../../house/schools';
import type { Side } from '../../job/sides';
import { type Verdict, levelAtMost, verdict } from '../../job/verdict';
import { printFine } from '../../units/length';
import type { PlanContext } from '../planContext';
import type { PaintingPlan } from '../../painting/planPainting';

/** Which side of a corner is wrapped first, and on which the seam is seen. */
export function flapsOf(corner: Corner, seams: SeamFaces): { side: Side; end: Side } {
  const upright: Side = corner.endsWith('Left') ? 'left' : 'right';
  const level: Side = corner.startsWith('top') ? 'top' : 'bottom';
  return seams === 'topBottom' ? { side: upright, end: level } : { side: level, end: upright };
}

export interface FoldPlan {
  fold: CornerFold;
  layers: CornerLayers;
  /** What one corner adds to an edge and to the back, mm. */
  edgeMm: number;
  backMm: number;
  /** Pattern for a fold that is cut; null where nothing is, or nothing can be. */
  pattern: CornerPattern | null;
}

interface CornerParts {
  profile: Profile;
  fabric: Fabric;
  cut: CutSize;
  painting: PaintingPlan | null;
}

/** What cloth there is at a corner: the depth it goes over and both margins without the grip, mm. */
export function cornerSize(corner: Corner, inputs: JobInputs, { profile, fabric, cut, painting }: CornerParts): PatternSize {
  const { side, end } = flapsOf(corner, inputs.cloth.seams);
  const depthMm = profile.depthMm + profile.beadMm + 2 * fabric.thicknessMm;
  const margin = (one: Side) => {
    const left = painting?.sides.find((row) => row.side === one)?.leastMm;
    const { totalMm, gripMm } = cut.margins[one];
    return Math.max(1, left ?? totalMm - gripMm);
  };
  return { depthMm, sideMm: margin(side), endMm: margin(end) };
}

/** The pattern a fold is cut by at this corner; null where nothing is cut or the margin does not give it. */
export function cornerPattern(fold: CornerFold, size: PatternSize): CornerPattern | null {
  return fold.cut === 'spare' ? sparePattern(size) : fold.cut === 'template' ? cardPattern(size) : null;
}

/** The corner fold on this job: layers, bulk, pattern. Hem or reserve fold both returns once more. */
export function planFold(inputs: JobInputs, parts: CornerParts, fold: CornerFold = usedFold(inputs)): FoldPlan {
  const sizes = CORNERS.map((corner) => cornerSize(corner, inputs, parts));
  const patterns = sizes.map((size) => cornerPattern(fold, size));
  const folded = sizes.map((size, index) => cornerLayers(fold.creases, patterns[index] ?? wholeCorner(size)));
  // Margins may differ from side to side: the thickest corner is told, and a pattern only where every corner has one.
  const flat = { edge: Math.max(...folded.map((one) => one.edge)), back: Math.max(...folded.map((one) => one.back)) };
  const pattern = patterns.every((one) => one !== null) ? patterns[0]! : null;
  const { hemMm, reserveMm } = parts.cut.margin;
  const layers = { edge: flat.edge, back: flat.back + (!parts.painting && hemMm + reserveMm > 0 ? 2 : 0) };
  const { thicknessMm } = parts.fabric;
  return { fold, layers, edgeMm: layers.edge * thicknessMm, backMm: layers.back * thicknessMm, pattern };
}

const thinnerWords = (painted: boolean): string =>
  painted
    ? 'Stand it off the wall with spacers; nothing is cut off a painting.'
    : 'Trim the layer inside, or take a templated corner.';

/** What the corner does to a rebate and a wall, and whether its pattern can be cut here. */
export function foldVerdicts(inputs: JobInputs, plan: FoldPlan, context: PlanContext): Verdict[] {
  const { rules, tape } = context;
  const { brief } = inputs;
  const { fold, layers, edgeMm, backMm, pattern } = plan;
  const limit = assumed(rules, 'cornerBulk');
  // The cloth once round the edge is counted with the room already.
  const both = 2 * (edgeMm - edgeMm / layers.edge);
  const rebated = byId(EDGES, brief.edges).inRebate;
  const { mm: room, measured } = rebateRoom(inputs, context);
  return [
    ...(fold.cut !== 'never' && !pattern
      ? [
          verdict({
            id: 'cornerPattern',
            about: 'corner pattern',
            level: 'stop',
            says: `There is too little to make a ${fold.name.toLowerCase()} corner of.`,
            because: 'The tab must fit the depth of the bar, the mitre the return; cuts stay clear of the corner.',
            doThis: 'Take a wider margin, or a single fold.',
          }),
        ]
      : []),
    verdict({
      id: 'bulkOnBack',
      about: 'bulk on the back',
      level: levelAtMost(backMm, limit, 2 * limit),
      measured: backMm,
      limit,
      of: 'bulk',
      says: `${printed('clothLayers', layers.back)} at the back’s corner, ${printFine(backMm, tape)}; ${printFine(limit, tape)} lies well on a wall.`,
      because: 'Layers counted on the folded corner × thickness of the cloth; hem and reserve are folded once more.',
      doThis: backMm > limit ? thinnerWords(isPainted(brief.use)) : '',
      uses: ['cornerBulk'],
    }),
    ...(rebated && !measured
      ? [
          verdict({
            id: 'bulkInRebate',
            about: 'bulk in the rebate',
            level: both <= room ? 'good' : 'watch',
            measured: both,
            limit: room,
            of: 'bulk',
            says: `${printed('clothLayers', layers.edge)} on the seam sides: it is ${printFine(both, tape)} larger there, ${printFine(room, tape)} of room in the rebate.`,
            because: 'Both corners of a side count.',
            doThis: both <= room ? '' : 'Turn the seams to the other sides, take a thinner fold, or ease the rebate.',
          }),
        ]
      : []),
  ];
}
