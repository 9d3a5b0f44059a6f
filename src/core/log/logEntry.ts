/*
 * The log: what was done and measured. Append-only: a correction is a new entry that points to the old one.
 */
import { VIEWS } from '../job/sideWords';
import { type HouseRules, houseRulesShape } from '../house/houseRules';
import { idText, jobInputsShape, momentText } from '../job/job';
import { placeShape } from '../life/climates';
import { verdictShape } from '../job/verdict';
import { type ShapeOf, listOf, number, oneOf, optional, part, text, whole } from '../shape/shape';
import { STAGE_IDS } from '../stages/stages';
import { HOW_KNOWN, READING_KINDS } from './readingKinds';

const FAR = Number.MAX_VALUE;

/** What somebody measured, how it is known, and with which precision. */
export const readingShape = {
  quantity: oneOf(READING_KINDS),
  /** The side, corner, cloth … it was read of; empty where there is one only. */
  of: text(0, 80),
  value: number(-FAR, FAR),
  unit: text(0, 20),
  /** One standard deviation of the tool in the same unit, or null when unknown. */
  precision: optional(number(0, FAR)),
  tool: text(0, 60),
  known: oneOf(HOW_KNOWN),
};
export interface Reading extends ShapeOf<typeof readingShape> {}

/** A value that the house’s own records gave, and how many of them. */
const learnedValueShape = { value: number(0, FAR), records: whole(1, 1000) };
export interface LearnedValue extends ShapeOf<typeof learnedValueShape> {}

/** What records had taught about pace and cloth when a plan was made; null where nothing had been. */
const taughtShape = {
  pace: optional(part('learnedValue', learnedValueShape)),
  stiffness: optional(part('learnedValue', learnedValueShape)),
  sizeAbsorb: optional(part('learnedValue', learnedValueShape)),
  firstAbsorb: optional(part('learnedValue', learnedValueShape)),
  laterAbsorb: optional(part('learnedValue', learnedValueShape)),
  /** Part of its tension that this cloth under this ground loses in a tenfold of time. */
  creep: optional(part('learnedValue', learnedValueShape)),
};
export interface Taught extends ShapeOf<typeof taughtShape> {}
export const NOTHING_TAUGHT: Taught = {
  pace: null,
  stiffness: null,
  sizeAbsorb: null,
  firstAbsorb: null,
  laterAbsorb: null,
  creep: null,
};

/** The plan of a stage as it stood when the step was recorded, and the rules, inputs and lessons it came from. */
export const planSnapshotShape = {
  answer: text(0, 300),
  answerNote: text(0, 500),
  verdicts: listOf(part('verdict', verdictShape), 80),
  inputs: part('inputs', jobInputsShape),
  rules: part('houseRules', houseRulesShape),
  taught: part('taught', taughtShape),
  /** Where its words name left and right from. */
  view: oneOf(VIEWS),
};
export interface PlanSnapshot extends ShapeOf<typeof planSnapshotShape> {
  rules: HouseRules;
}

/** What a note is of that keeps a photograph of a painting as it was looked at. */
export const LOOK_PHOTOGRAPH = 'lookPhotograph';

/**
 * A record finishes a step, a withdrawal takes an entry back. A rehearsal is a score on the simulated cloth; a reading and a
 * remedy are what was measured or done between the stages: they finish nothing. Taken down, a canvas is off its bars for good. A
 * note is what somebody saw at a step, with a photograph perhaps. An event is what happened to a canvas by itself or by accident;
 * hung says where it hangs and who has it. Brought is a canvas that was made elsewhere: it begins with its passport.
 */
export const LOG_KINDS = [
  'record',
  'withdrawal',
  'rehearsal',
  'reading',
  'remedy',
  'takenDown',
  'note',
  'event',
  'hung',
  'brought',
] as const;

export const logEntryShape = {
  id: idText,
  stage: oneOf(STAGE_IDS),
  /** Which coat, from 0, for priming; null for stages of one step. */
  step: optional(whole(0, 1000)),
  kind: oneOf(LOG_KINDS),
  /** What the entry is about, by its id: the remedy of a remedy, the step of a note, the event of an event, the id elsewhere of what was brought; empty otherwise. */
  of: text(0, 80),
  at: momentText,
  maker: text(1, 80),
  /** The device it was written at, by its name; empty for the machine that the workshop runs on. */
  device: text(0, 60),
  /** What was done, in a sentence. */
  did: text(0, 300),
  note: text(0, 2000),
  /** Why a stop verdict was overruled, or a record withdrawn; empty otherwise. */
  reason: text(0, 2000),
  /** The entry this one takes back. */
  corrects: optional(idText),
  /** When what was started dries or sets, or null. */
  readyAt: optional(momentText),
  readings: listOf(part('reading', readingShape), 80),
  /** Where it hangs, of an entry that says so. */
  hangs: optional(part('hangingPlace', placeShape)),
  plan: optional(part('planSnapshot', planSnapshotShape)),
};
export interface LogEntry extends ShapeOf<typeof logEntryShape> {
  plan: PlanSnapshot | null;
}
