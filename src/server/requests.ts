/* What the screens may ask for, as shapes; `actions.ts` checks each against its own. */
import { USES } from '@/core/house/schools';
import { QUARTERS } from '@/core/bench/benchRun';
import { VIEWS } from '@/core/job/sideWords';
import { CORNERS } from '@/core/frame/square/corners';
import { rolledShape } from '@/core/painting/rolledWork';
import { costSettingsShape } from '@/core/cost/costSettings';
import { houseRulesShape } from '@/core/house/houseRules';
import { idText, jobInputsShape } from '@/core/job/job';
import { ROLES } from '@/db/devices';
import { SUBSTANCES } from '@/core/prime/substances';
import {
  type Shape,
  type ShapeOf,
  each,
  flag,
  lengthOf,
  listOf,
  number,
  oneOf,
  optional,
  part,
  text,
  whole,
  numberOf,
} from '@/core/shape/shape';
import { textOf } from '@/core/shape/texts';
import { MEASURED_STAGES } from '@/core/set/measured';
import { MOST_IN_SET, SET_KINDS, setLayoutShape } from '@/core/set/setShape';
import { faceLength, titleText } from '@/core/stages/brief/briefInputs';
import { placeShape } from '@/core/life/climates';
import { LIFE_EVENTS } from '@/core/life/lifeEvents';
import { variantShape } from '@/core/variant/variant';
import { weekSettingsShape } from '@/core/week/weekSettings';
import { HAND_FEELS } from '@/core/fasten/hand';
import { STAGE_IDS } from '@/core/stages/stages';
import { FEELS } from '@/core/tension/feel';
import { REMEDIES } from '@/core/tension/remedies';
import { FILE_UNITS } from '@/core/units/length';
import { LIST_IDS } from './lists/list';
import { TAP_PLACE_IDS } from '@/core/tension/tap/membraneTone';

const revision = whole(1, 1_000_000_000);
const anyRevision = whole(0, 1_000_000_000);
const maker = textOf('name');
const taskText = text(3, 120);
const momentMs = whole(0, 10_000_000_000_000);
const note = textOf('note');
const jpeg = optional(text(4, 2_600_000, '', /^[A-Za-z0-9+/]+={0,2}$/));
const canvasesSeen = listOf(part('canvasSeen', { jobId: idText, revision }), MOST_IN_SET, [], { least: 1 });
const howMany = whole(1, MOST_IN_SET);
const tapeLength = lengthOf('tapeReading');
const jobIds = listOf(idText, 60, [], { least: 1, unique: true });
const coatsSeen = listOf(part('coatSeen', { jobId: idText, revision, step: whole(0, 1000) }), 60, [], { least: 1 });
const flaws = listOf(
  part('clothFlaw', {
    x: number(0, 200_000),
    y: number(0, 200_000),
    w: number(1, 6000),
    h: number(1, 200_000),
    note: text(0, 80),
  }),
  60,
);
/** Whoever asks for something about a job says which version of it was seen. */
const ofJob = { jobId: idText, revision, maker };

/** A list as a file, and how it is read. */
/** What is known of something the store keeps count of; `revision` 0 for a new one. */
const itemSet = {
  name: textOf('name'),
  unit: oneOf(['pieces', 'g', 'ml']),
  pack: numberOf('pack'),
  priceMinor: optional(numberOf('price')),
  least: numberOf('amount'),
  place: textOf('place'),
  supplier: textOf('place'),
  revision: anyRevision,
};
export type ItemSet = ShapeOf<typeof itemSet>;
const listRead = { list: oneOf(LIST_IDS), text: text(1, 4_000_000), unit: oneOf(FILE_UNITS), maker };

/** What may be asked, without the id that every request carries. */
const ASKED = {
  newJob: { title: titleText, width: faceLength, height: faceLength, use: oneOf(USES) },
  /** Canvases that are planned once: a face for each. */
  newSet: {
    title: titleText,
    kind: oneOf(SET_KINDS),
    faces: listOf(part('face', { width: faceLength, height: faceLength }), MOST_IN_SET, [], { least: 2 }),
    layout: part('setLayout', setLayoutShape),
  },
  /** Others by the plan of one that there is. */
  copyJob: { jobId: idText, title: titleText, count: howMany },
  /** More canvases by the plan of a set. */
  growSet: { setId: idText, revision, count: howMany },
  /** What a set is called and how its canvases hang. */
  changeSet: { setId: idText, revision, title: titleText, layout: part('setLayout', setLayoutShape) },
  /** The plan of one canvas for all of its set that follow it. */
  planSetBy: { setId: idText, setRevision: revision, jobId: idText, revision },
  /** The plan of its set for a canvas that departed, wherever nothing is recorded. */
  rejoinSet: { jobId: idText, revision },
  /** What was measured on one canvas of a set; of the stage that is named, the other fields are left alone. */
  typeMeasured: {
    jobId: idText,
    revision,
    stage: oneOf(MEASURED_STAGES),
    down: optional(tapeLength),
    up: optional(tapeLength),
    lift: optional(tapeLength),
    feel: optional(oneOf(FEELS)),
    weighedKg: optional(numberOf('mass')),
  },
  /** One stage of several canvases, all or none. */
  recordTogether: {
    canvases: canvasesSeen,
    stage: oneOf(STAGE_IDS),
    maker,
    note,
    reason: note,
    unit: oneOf(['mm', 'cm', 'in']),
    view: oneOf(VIEWS),
  },
  withdrawTogether: {
    entries: listOf(part('entrySeen', { jobId: idText, revision, entryId: idText }), MOST_IN_SET, [], { least: 1 }),
    maker,
    reason: textOf('reason'),
  },
  /** Out of every list but the log, or back. */
  archive: { canvases: canvasesSeen, archived: flag() },
  removeJob: { jobId: idText, revision },
  saveInputs: { jobId: idText, revision, inputs: part('inputs', jobInputsShape) },
  recordStep: {
    ...ofJob,
    stage: oneOf(STAGE_IDS),
    note,
    reason: note,
    unit: oneOf(['mm', 'cm', 'in']),
    view: oneOf(VIEWS),
    /** The roll or offcut that a recorded cut is taken from. */
    clothId: optional(idText),
  },
  /**
   * A canvas looked at where it hangs: what happened, how it feels, its diagonals, how far it bulges, the air there. Air null with
   * `inHouse` takes that of the house, where it is read. The photograph is a JPEG file in base 64.
   */
  keepCare: {
    ...ofJob,
    note,
    event: optional(oneOf(LIFE_EVENTS)),
    feel: optional(oneOf(FEELS)),
    down: optional(tapeLength),
    up: optional(tapeLength),
    bulge: optional(lengthOf('bulge')),
    celsius: optional(numberOf('temperature')),
    rh: optional(numberOf('humidity')),
    inHouse: flag(),
    jpeg,
  },
  /** Where it hangs from now on, and who has it. */
  /** The passport of a canvas that was made elsewhere. */
  takePassport: { text: text(1, 5_000_000), maker },
  keepHanging: { ...ofJob, note, hangs: part('hangingPlace', placeShape) },
  /** What is otherwise in a variant; revision 0 for a new one, whose id is made where it is asked. */
  keepVariant: { jobId: idText, id: idText, revision: anyRevision, ...variantShape },
  dropVariant: { jobId: idText, id: idText, revision },
  /** `variantRevision`: the variant as it was seen. */
  adoptVariant: { ...ofJob, id: idText, variantRevision: revision },
  /** A job that cannot be read, out of the lists or back. */
  setAside: { jobId: idText, revision, aside: flag() },
  /** What such a job should hold, as JSON; none for what its log recorded last. */
  mendJob: { jobId: idText, revision, text: optional(text(1, 4_000_000)) },
  withdraw: { ...ofJob, entryId: idText, reason: textOf('reason') },
  keepRehearsal: {
    ...ofJob,
    note,
    moves: listOf(
      part('move', {
        act: oneOf(['fasten', 'takeOut']),
        place: whole(0, 100_000),
        pull: oneOf(['none', 'gentle', 'snug', 'firm']),
      }),
      2000,
      [],
      { least: 1 },
    ),
    /** How far the cloth lay off its grain, degrees. */
    offGrainDeg: numberOf('offGrain'),
  },
  keepTaps: {
    ...ofJob,
    note,
    /** WAV files in base 64: at most five seconds at 96 000 samples a second. */
    wavs: part('tapWavs', each(TAP_PLACE_IDS, text(1, 1_300_000, '', /^[A-Za-z0-9+/]+={0,2}$/))),
    source: oneOf(['microphone', 'file', 'simulated']),
  },
  /** What each corner was opened in this step, mm; below 0 where it was let back. */
  keepTurns: { ...ofJob, note, opened: part('opened', each(CORNERS, numberOf('boltTurns', 0))) },
  keepWeight: { ...ofJob, note },
  keepFeel: { ...ofJob, note, feel: oneOf(FEELS) },
  /** Pulls of one feel on the scale, N. */
  keepHandTrial: {
    maker,
    feel: oneOf(HAND_FEELS),
    pulledN: listOf(numberOf('trialPull'), 12, [], { least: 3 }),
    simulated: flag(),
  },
  keepRemedy: { ...ofJob, note, remedy: oneOf(REMEDIES) },
  /** The step that somebody stands at, and how the frame lies. */
  keepPlace: { jobId: idText, stage: oneOf(STAGE_IDS), step: text(1, 80), quarter: oneOf(QUARTERS), filledAt: whole(1, 100_000) },
  /** A note at a step; `says` is what the step said. The photograph is a JPEG file in base 64. */
  keepNote: { jobId: idText, maker, stage: oneOf(STAGE_IDS), step: text(0, 80), says: text(0, 280), note, jpeg },
  /** `keepBoth`: under ids of its own, beside one that is here already. */
  importJob: { text: text(1, 5_000_000), keepBoth: flag() },
  readSimulatedAir: {},
  dropSimulatedAir: {},
  importAir: { text: text(1, 4_000_000), source: text(0, 80) },
  /** An item of the store: what is known of it, what is taken by hand, what was counted of it and of how many (`seen`). */
  changeItem: {
    item: text(1, 64, '', /^[A-Za-z0-9][A-Za-z0-9.-]{0,63}$/),
    set: optional(part('itemSet', itemSet)),
    taken: optional(numberOf('pack')),
    counted: optional(numberOf('amount')),
    seen: number(-1_000_000, 1_000_000),
    reason: text(0, 200),
    maker,
  },
  undoMove: { moveId: idText, maker },
  /** `jobIds`: the jobs the list was made for; none for all that are open. */
  buyItems: {
    lines: listOf(part('bought', { id: text(1, 200), packs: whole(1, 100_000) }), 300, [], { least: 1 }),
    jobIds: listOf(idText, 300, [], { unique: true }),
    maker,
  },
  /** Off its bars: the painting rolled, or none where the cloth is gone; bars back to the rack, openers back to the store. */
  takeDown: { ...ofJob, note, rolled: optional(part('rolled', rolledShape)), keepBars: flag(), openers: whole(0, 40) },
  restretch: { rolledId: idText, title: titleText },
  makeFromStock: {
    title: titleText,
    profile: idText,
    fabric: idText,
    width: numberOf('barLength'),
    height: numberOf('barLength'),
  },
  saveCosts: { revision: anyRevision, settings: part('costSettings', costSettingsShape) },
  /** `seenMinor`: what it was seen to cost. Of a set where one is named. */
  giveQuote: { jobId: idText, setId: optional(idText), forWhom: textOf('person'), seenMinor: whole(0, 1_000_000_000), maker },
  setStock: {
    substance: oneOf(SUBSTANCES),
    amount: numberOf('amount'),
    priceMinor: numberOf('price'),
    revision: anyRevision,
    maker,
  },
  /** `coats`: each canvas as it was seen, and the coat that was mixed for, so that the next one is never put on unseen. */
  recordBatch: { coats: coatsSeen, mixedMl: numberOf('batchVolume'), leftMl: numberOf('volume'), maker, note, reason: note },
  addToRack: {
    profile: idText,
    kind: oneOf(['pairs', 'timber', 'brace']),
    family: textOf('family'),
    lengthMm: numberOf('barLength'),
    count: numberOf('pieces'),
    mark: textOf('mark'),
    maker,
  },
  takeFromRack: { id: idText, count: numberOf('pieces'), maker },
  /** `seen`: what the plan on the screen took and left, so that a plan that has changed since is not recorded unseen. */
  recordCuts: { jobIds, seen: text(1, 100), maker },
  addCloth: {
    kind: oneOf(['roll', 'offcut']),
    fabric: idText,
    tag: textOf('tag'),
    widthMm: numberOf('stockWidth'),
    selvedgeMm: numberOf('selvedge'),
    lengthMm: numberOf('newRollLength'),
    flaws: flaws,
    maker,
  },
  /** `gone`: used up or thrown away. */
  changeCloth: { id: idText, revision, lengthMm: numberOf('rollLength'), flaws: flaws, gone: flag(), maker },
  cutCloth: {
    sheets: listOf(
      part('cutSheet', {
        id: idText,
        revision,
        placed: listOf(part('placed', { id: idText, x: whole(0, 200_000), y: whole(0, 200_000), turned: flag() }), 100, [], {
          least: 1,
        }),
      }),
      40,
      [],
      { least: 1 },
    ),
    maker,
  },
  saveWeek: { revision: anyRevision, settings: part('weekSettings', weekSettingsShape) },
  /** By whom and from when a task is set by hand: neither lets it go. `seen…`: how it was set when it was looked at. */
  pinTask: {
    task: taskText,
    maker: optional(maker),
    atMs: optional(momentMs),
    seenMaker: optional(maker),
    seenAtMs: optional(momentMs),
  },
  /** A plan of the days as it was found; `madeFor` names the work it was found for. */
  takePlan: {
    madeFor: text(1, 80),
    /** Now, when it was begun. */
    seenMs: momentMs,
    at: listOf(
      part('taskPlace', { task: taskText, start: whole(0, 100_000), maker: optional(maker), place: optional(text(1, 60)) }),
      20_000,
    ),
    pots: listOf(
      part('pot', {
        family: text(1, 80),
        maker,
        from: whole(0, 100_000),
        to: whole(0, 100_000),
        tasks: listOf(taskText, 500, [], { least: 1 }),
      }),
      5000,
    ),
  },
  saveRules: { revision: anyRevision, rules: part('houseRules', houseRulesShape) },
  /** `seen`: what it was said to do when it was looked at. */
  takeInList: { ...listRead, seen: text(1, 100) },
};

const copyName = { name: text(1, 80) };

/** What may be asked about the file as a whole, and about the door of the house: none of it is done twice when it is sent again. */
export const FILE_REQUESTS = {
  backUp: {},
  lookAtBackup: { ...copyName },
  restoreBackup: { ...copyName },
  checkFile: {},
  rebuildFile: {},
  lookAtList: { ...listRead },
  openNetwork: {
    /** Empty keeps the one that was set. */
    passphrase: textOf('passphrase'),
    /** Whether there are devices that look on, and their passphrase; empty keeps it. */
    looking: flag(),
    lookingPassphrase: textOf('passphrase'),
    port: whole(1, 65_535),
    hours: whole(1, 720),
    certFile: textOf('file'),
    keyFile: textOf('file'),
  },
  closeNetwork: {},
  endDevice: { id: idText },
  changeDevice: { id: idText, role: oneOf(ROLES) },
};
export type FileRequestName = keyof typeof FILE_REQUESTS;
export type FileRequest<N extends FileRequestName> = ShapeOf<(typeof FILE_REQUESTS)[N]>;

export type RequestName = keyof typeof ASKED;
/** What a use case is asked. */
export type Request<N extends RequestName> = ShapeOf<(typeof ASKED)[N]>;
/** As it is sent: with an id made by whoever asks, the same when it is sent again. */
export type Sent<N extends RequestName> = Request<N> & {
  requestId: string;
  /** How long ago it was done by the clock of the device, ms, where it is handed in later; left out or null for now. */
  agoMs?: number | null;
};

/** Nothing waits longer than so to be handed in, ms. */
const LONGEST_AWAY_MS = 400 * 86_400_000;

/** What may stand beside any request: how long ago it was done, where a device was out of reach. */
export const handedIn = { agoMs: optional(whole(0, LONGEST_AWAY_MS)) };

const sent = <S extends Shape>(shape: S) => ({ requestId: idText, ...shape });

export const REQUESTS = Object.fromEntries(Object.entries(ASKED).map(([name, shape]) => [name, sent(shape)])) as unknown as {
  [N in RequestName]: (typeof ASKED)[N] & { requestId: typeof idText };
};
