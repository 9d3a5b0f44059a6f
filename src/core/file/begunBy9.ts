/*
 * What version 9 began a job, its policies and its lessons with, letter by letter: what an earlier version did not ask stands in
 * its files as nobody said it. Never changed; a later version adds its own steps.
 */

const mm = (value: number) => ({ mm: value, unit: 'mm' });
const NO_SIDE = { top: null, right: null, bottom: null, left: null };

export const INPUTS_OF_9 = {
  look: { lookedOver: false, conditions: [], value: 'unknown', decided: 'nobody', decidedBy: '', decidedOn: null },
  brief: {
    use: 'new',
    edges: 'unframed',
    rebateClearance: mm(4),
    rebate: {
      top: null,
      right: null,
      bottom: null,
      left: null,
      down: null,
      up: null,
      depth: null,
      lip: NO_SIDE,
      fixing: 'notKnown',
    },
    placing: { keep: ['top', 'left', 'right'], mostWrap: mm(6), mayBare: false, way: 'leastSquares', onFolds: true },
    medium: 'undecided',
    hangs: 'thisWay',
    dueOn: null,
    note: '',
  },
  kit: [],
  bars: {
    profile: 'standard',
    species: 'spruce',
    joint: 'slotted',
    glue: 'pva',
    tensionNPerM: 250,
    braceFixing: 'asJoint',
    bracesUpright: [],
    bracesLevel: [],
  },
  square: {
    top: null,
    right: null,
    bottom: null,
    left: null,
    down: null,
    up: null,
    blade: mm(300),
    gaps: { topLeft: null, topRight: null, bottomRight: null, bottomLeft: null },
    trust: 'bars',
    tape: 'own',
    tries: [],
    lift: null,
    strings: null,
    windPattern: 'unseen',
  },
  cloth: {
    fabric: 'cottonMedium',
    rollWidth: mm(2100),
    marginStyle: 'covered',
    ownMargin: NO_SIDE,
    grip: 'hand',
    warp: 'width',
    mayTurn: false,
    flawRule: 'face',
    washFirst: false,
    takeOffStretch: false,
    laidAgain: false,
    corner: 'single',
    seams: 'topBottom',
    left: {
      top: { first: null, second: null },
      right: { first: null, second: null },
      bottom: { first: null, second: null },
      left: { first: null, second: null },
    },
    painting: { top: null, right: null, bottom: null, left: null, down: null, up: null, bow: NO_SIDE },
    found: {
      fold: NO_SIDE,
      holes: {
        top: { first: null, apart: null },
        right: { first: null, apart: null },
        bottom: { first: null, apart: null },
        left: { first: null, apart: null },
      },
    },
  },
  fasten: {
    fastener: 'staple8',
    route: 'compass',
    spacing: mm(45),
    lastFromCorner: mm(45),
    starters: 1,
    perTurn: 1,
    firmPull: null,
    pulls: 'taught',
    ramp: 1,
    slantDeg: 25,
    secondRound: false,
    knots: [],
    laid: {
      top: { first: null, second: null },
      right: { first: null, second: null },
      bottom: { first: null, second: null },
      left: { first: null, second: null },
    },
    asDone: { drawn: null, pullN: null, pulls: [], minutes: null, notes: [] },
  },
  tune: {
    feel: null,
    weight: { disc: mm(70), lightG: 100, heavyG: 200, lightSag: null, heavySag: null },
    piece: { width: mm(100), height: mm(100), grams: null },
    signs: [],
    remedy: 'none',
    corners: { topLeft: mm(0), topRight: mm(0), bottomRight: mm(0), bottomLeft: mm(0) },
  },
  prime: {
    system: 'acrylic',
    roomC: 19,
    roomRh: 55,
    airBy: 'reckoned',
    edges: true,
    back: false,
    wetFirst: false,
    over: 'raw',
    waterParts: null,
    mixedMl: null,
    leftMl: null,
  },
  handover: { weighedKg: null, hanging: 'rings', label: '' },
};

export const POLICIES_OF_9 = {
  water: 'allowed',
  keys: 'allowed',
  restretch: 'allowed',
  primeEdges: true,
  primeBack: false,
  wetFirst: false,
  pulls: 'taught',
};

export const MATERIALS_OF_9 = { profiles: [], species: [], fabrics: [] };

export const TAUGHT_OF_9 = { pace: null, stiffness: null, sizeAbsorb: null, firstAbsorb: null, laterAbsorb: null, creep: null };
