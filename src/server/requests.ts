/* What the screens may ask for, as shapes; `actions.ts` checks each against its own. */
import { VIEWS } from '@/core/job/sideWords';
import { CORNERS } from '@/core/frame/square/corners';
import { houseRulesShape } from '@/core/house/houseRules';
import { idText, jobInputsShape } from '@/core/job/job';
import { SUBSTANCES } from '@/core/prime/substances';
import { type ShapeOf, each, flag, listOf, number, oneOf, optional, part, text, whole } from '@/core/shape/shape';
import { faceLength, titleText } from '@/core/stages/brief/briefInputs';
import { STAGE_IDS } from '@/core/stages/stages';
import { FEELS } from '@/core/tension/feel';
import { REMEDIES } from '@/core/tension/remedies';
import { TAP_PLACE_IDS } from '@/core/tension/tap/membraneTone';

const revision = whole(1, 1_000_000_000);
const anyRevision = whole(0, 1_000_000_000);
const maker = text(1, 80);
const note = text(0, 2000);
const jobIds = listOf(idText, 60, [], { least: 1, unique: true });
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

export const REQUESTS = {
  newJob: { title: titleText, width: faceLength, height: faceLength },
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
  /** A job that cannot be read, out of the lists or back. */
  setAside: { jobId: idText, revision, aside: flag() },
  /** What such a job should hold, as JSON; none for what its log recorded last. */
  mendJob: { jobId: idText, revision, text: optional(text(1, 4_000_000)) },
  withdraw: { ...ofJob, entryId: idText, reason: text(3, 2000) },
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
    offGrainDeg: number(-45, 45),
  },
  keepTaps: {
    ...ofJob,
    note,
    /** WAV files in base 64: at most five seconds at 96 000 samples a second. */
    wavs: part('tapWavs', each(TAP_PLACE_IDS, text(1, 1_300_000, '', /^[A-Za-z0-9+/]+={0,2}$/))),
    source: oneOf(['microphone', 'file', 'simulated']),
  },
  /** What each corner was opened in this step, mm; below 0 where it was let back. */
  keepTurns: { ...ofJob, note, opened: part('opened', each(CORNERS, number(-10, 10, 0))) },
  keepWeight: { ...ofJob, note },
  keepFeel: { ...ofJob, note, feel: oneOf(FEELS) },
  keepRemedy: { ...ofJob, note, remedy: oneOf(REMEDIES) },
  importAir: { text: text(1, 4_000_000), source: text(0, 80) },
  setStock: {
    substance: oneOf(SUBSTANCES),
    amount: number(0, 1_000_000),
    priceMinor: whole(0, 100_000_000),
    revision: anyRevision,
    maker,
  },
  recordBatch: { jobIds, mixedMl: number(1, 200_000), leftMl: number(0, 200_000), maker, note, reason: note },
  addToRack: {
    profile: idText,
    kind: oneOf(['pairs', 'timber', 'brace']),
    family: text(1, 60),
    lengthMm: number(50, 12_000),
    count: whole(1, 500),
    mark: text(0, 120),
    maker,
  },
  takeFromRack: { id: idText, count: whole(1, 500), maker },
  /** `seen`: what the plan on the screen took and left, so that a plan that has changed since is not recorded unseen. */
  recordCuts: { jobIds, seen: text(1, 100), maker },
  addCloth: {
    kind: oneOf(['roll', 'offcut']),
    fabric: idText,
    tag: text(1, 40),
    widthMm: number(50, 6000),
    selvedgeMm: number(0, 100),
    lengthMm: number(1, 200_000),
    flaws: flaws,
    maker,
  },
  /** `gone`: used up or thrown away. */
  changeCloth: { id: idText, revision, lengthMm: number(0, 200_000), flaws: flaws, gone: flag(), maker },
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
  saveRules: { revision: anyRevision, rules: part('houseRules', houseRulesShape) },
};

export type RequestName = keyof typeof REQUESTS;
/** What a request carries once it is checked. */
export type Request<N extends RequestName> = ShapeOf<(typeof REQUESTS)[N]>;
