/*
 * What goes wrong, how it shows, and what causes it: signs and causes as data. A cause points to the judgements of the job
 * that speak for or against it; the ranking in diagnosis.ts works on any row.
 */
import type { StageId } from '../stages/stages';
import type { ZoneKind } from './zones';

export interface Sign {
  id: string;
  name: string;
  /** How it looks. */
  looks: string;
  zones: readonly ZoneKind[];
}

export interface Cause {
  id: string;
  name: string;
  /** Signs it shows itself in, and how often it is behind each, as weights. */
  signs: Readonly<Record<string, number>>;
  /** Judgements of the job that tell: a bad one speaks for the cause, a good one against it. */
  told: readonly { stage: StageId; verdict: string }[];
  remedy: readonly string[];
  /** The stage to go back to. */
  stage: StageId;
}

const ANYWHERE: readonly ZoneKind[] = ['corner', 'side', 'middle'];
const sign = (id: string, name: string, looks: string, zones: readonly ZoneKind[] = ANYWHERE): Sign => ({
  id,
  name,
  looks,
  zones,
});

export const SIGNS: readonly Sign[] = [
  sign('scallops', 'Scallops', 'the edge swings in between the fasteners', ['side']),
  sign('pullLines', 'Pull lines', 'straight lines in the cloth run out from a fastener', ['side', 'corner']),
  sign('cornerWrinkle', 'Wrinkle from a corner', 'a soft fold runs from a corner towards the middle', ['corner']),
  sign('askew', 'Weave askew', 'threads run at a slant to the edge, or in a curve'),
  sign('slackPatch', 'Slack in one place', 'the cloth ripples or sounds dull there', ['side', 'middle', 'corner']),
  sign('slackLater', 'Slack all over, weeks later', 'it was tight and is not any more', ['middle']),
  sign('rhombus', 'Rhombus', 'the frame leans: its diagonals differ', ['corner']),
  sign('offWall', 'A corner off the wall', 'three corners touch, one stands off', ['corner']),
  sign('waist', 'Bars bow in', 'the canvas has a waist at the middle of a side', ['side']),
  sign('ridge', 'Ridge inside the edge', 'a line shows through where the bar or a brace lies', ['side', 'middle']),
  sign('fatCorner', 'Fat corner', 'the corner stands thick, or will not go into its frame', ['corner']),
  sign('littleToHold', 'Too little to hold', 'the margin slips out of fingers and pliers', ['side', 'corner']),
  sign('tearing', 'Cloth tears at a fastener', 'threads are cut or drawn at the crown', ['side', 'corner']),
  sign('split', 'The bar splits', 'a crack runs along the grain from a fastener', ['side', 'corner']),
  sign('dent', 'A dent', 'a small mark stands out or in', ['middle', 'side', 'corner']),
  sign('streaks', 'Streaks in the ground', 'it drinks unevenly, brush marks stand', ['middle']),
  sign('groundCracks', 'The ground cracks or peels', 'fine cracks, flakes at the folds', ANYWHERE),
];

const cause = (
  id: string,
  name: string,
  stage: StageId,
  signs: Record<string, number>,
  remedy: string[],
  ...told: [stage: StageId, verdict: string][]
): Cause => ({ id, name, stage, signs, remedy, told: told.map(([one, verdict]) => ({ stage: one, verdict })) });

export const CAUSES: readonly Cause[] = [
  cause(
    'tooWide',
    'Fasteners too far apart',
    'fasten',
    { scallops: 3, slackPatch: 1 },
    ['Set one more in every gap that swings.', 'Draw those beside it and set them again.'],
    ['fasten', 'spacing'],
  ),
  cause('unevenPull', 'Uneven pull from place to place', 'fasten', { scallops: 2, slackPatch: 2, pullLines: 1, offWall: 1 }, [
    'Draw the two or three on both sides of it and set them again from the middle out.',
    'Judge the pull by the feel of the cloth, not of the arm.',
  ]),
  cause('firstSlack', 'The first ones went slack as their neighbours were pulled', 'fasten', { slackPatch: 3, scallops: 1 }, [
    'Draw the first ones at that middle and set them again, firm.',
    'A whole second round evens most.',
  ]),
  cause(
    'oneSideHard',
    'One side was fixed hard first',
    'fasten',
    { pullLines: 3, askew: 3, cornerWrinkle: 1 },
    ['Draw that side from the middle out.', 'Set it again, answered on the opposite side.'],
    ['fasten', 'centring'],
  ),
  cause(
    'jawNarrow',
    'Pulled with a narrow grip',
    'cloth',
    { pullLines: 2, tearing: 1 },
    ['Take pliers with a wide jaw, heel on the bar.'],
    ['cloth', 'pull'],
  ),
  cause('temporaryIn', 'A temporary fastener stayed in', 'fasten', { cornerWrinkle: 2, pullLines: 2, slackPatch: 1 }, [
    'Count out what held for the time being.',
    'Pull again where it was.',
  ]),
  cause(
    'foldLate',
    'The corner was folded when the fasteners had come too close',
    'fasten',
    { cornerWrinkle: 3, fatCorner: 1 },
    ['Draw the last two each way, fold again with room, then set them.'],
    ['fasten', 'lastBeforeFold'],
  ),
  cause(
    'offGrain',
    'Laid off the grain',
    'fasten',
    { askew: 3, cornerWrinkle: 1 },
    ['Draw all but one side.', 'Register a thread to the bar at each middle, then go on.'],
    ['fasten', 'centring'],
    ['cloth', 'lie'],
  ),
  cause(
    'racked',
    'The frame is racked',
    'square',
    { rhombus: 3, cornerWrinkle: 2, askew: 1 },
    ['Press the two ends of the longer diagonal towards each other.', 'Fix a brace or clamps so that it stays.'],
    ['square', 'rack'],
    ['square', 'diagonals'],
  ),
  cause(
    'openJoint',
    'A corner did not close',
    'bars',
    { rhombus: 3, offWall: 1 },
    ['Open it, clean it, knock it home on a block, glue again.'],
    ['square', 'openJoint'],
    ['square', 'pairs'],
  ),
  cause(
    'wind',
    'The frame is in wind: a mitre or the saw tilted, or a bowed bar',
    'square',
    { offWall: 3, slackPatch: 1 },
    [
      'Find the pattern under Square: re-cut, plane, or ease the joint.',
      'Draw fasteners at two opposite corners if it is slight.',
    ],
    ['square', 'wind'],
  ),
  cause(
    'tooLight',
    'The section is too light, or a brace is missing',
    'bars',
    { waist: 3, slackLater: 1, scallops: 1 },
    ['Brace it; a heavier profile next time.'],
    ['bars', 'topBottomBow'],
    ['bars', 'leftRightBow'],
  ),
  cause(
    'tooTight',
    'Stretched harder than the bars were planned for',
    'tune',
    { waist: 2, split: 1, tearing: 1 },
    ['Let it down by drawing and setting again.'],
    ['tune', 'tensionByFeel'],
  ),
  cause(
    'braceTouches',
    'The cloth touches a brace',
    'bars',
    { ridge: 2, dent: 1 },
    ['Set the brace further back.'],
    ['bars', 'braceClearance'],
  ),
  cause('noBead', 'No bead: the bar’s inner edge prints through', 'bars', { ridge: 3 }, ['Glue a bead strip on the outer edge.']),
  cause(
    'tooMuchCloth',
    'Too much cloth in the corner',
    'cloth',
    { fatCorner: 3, offWall: 1 },
    ['Trim the layer inside, never a painting’s.', 'Fold again, under layer first.'],
    ['cloth', 'bulkInRebate'],
    ['cloth', 'bulkOnBack'],
  ),
  cause(
    'cutShort',
    'Cut short',
    'cloth',
    { littleToHold: 3, tearing: 1 },
    ['Fasten on the edge, pull by hand or in clamps; never glue.'],
    ['cloth', 'grip'],
    ['cloth', 'rawEdge'],
    ['cloth', 'marginsLeft'],
  ),
  cause(
    'nearEdge',
    'Fasteners too near the raw edge',
    'cloth',
    { tearing: 3 },
    ['Move them in: {8 to 10 mm} from the raw edge.', 'Set them at a slant, so that one thread does not carry all.'],
    ['cloth', 'rawEdge'],
  ),
  cause(
    'tooHeavy',
    'The fastener is too heavy for the wood',
    'fasten',
    { split: 3 },
    ['Take a finer one; keep clear of knots and ends.'],
    ['fasten', 'leg'],
  ),
  cause('damp', 'Damp air', 'tune', { slackLater: 3, slackPatch: 1 }, [
    'Tap and compare with the record before anything else.',
    'Wait for dry weather, or choose a remedy by the house’s policy.',
  ]),
  cause(
    'notTightEnough',
    'Not tight enough to begin with',
    'tune',
    { slackLater: 2, slackPatch: 1 },
    ['Choose a remedy under Tune.'],
    ['tune', 'tensionByFeel'],
  ),
  cause('shrunkBars', 'The bars shrank', 'bars', { slackLater: 1, rhombus: 1 }, [
    'Let them come to the room; measure the sides again.',
  ]),
  cause('chip', 'A key or a chip behind the cloth', 'tune', { dent: 2 }, [
    'Take it out with a strip of card; never push from the front.',
  ]),
  cause('knock', 'A knock', 'tune', { dent: 3 }, ['Unpainted: damp the back lightly and let it dry.']),
  cause('groundUneven', 'The ground was put on unevenly', 'prime', { streaks: 3 }, [
    'Cross the coats, thinner; sand between, with a mask.',
  ]),
  cause(
    'layerOrder',
    'Wrong order of layers, thinned too far, or the size was boiled',
    'prime',
    { groundCracks: 3, streaks: 1 },
    ['Strip it or discard it: what lies over it will follow.'],
    ['prime', 'layerOrder'],
    ['prime', 'barrier'],
  ),
];
