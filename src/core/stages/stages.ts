/** All stages of all work; in which of them a job goes, and in which order, its run says. `past` is what a canvas is once it is through. */
export const STAGES = [
  { id: 'look', name: 'Look', past: 'looked at', act: 'Look it over', record: 'Record what you saw', faceUp: true },
  {
    id: 'brief',
    name: 'Brief',
    past: 'briefed',
    act: 'Settle the brief',
    record: 'Record the brief',
    faceUp: true,
    painted: { name: 'Place', past: 'placed', act: 'Choose the face on the image', record: 'Record the place' },
  },
  { id: 'bars', name: 'Bars', past: 'assembled', act: 'Assemble the bars', record: 'Record the frame' },
  { id: 'square', name: 'Square', past: 'squared', act: 'Check square', record: 'Record the readings' },
  {
    id: 'cloth',
    name: 'Cloth',
    past: 'cut',
    act: 'Cut the cloth',
    record: 'Record the cut',
    painted: { name: 'Measure', past: 'measured', act: 'Measure image and margins', record: 'Record the measures' },
  },
  {
    id: 'fasten',
    name: 'Fasten',
    past: 'fastened',
    act: 'Fasten the cloth',
    record: 'Record the fastening',
    painted: { name: 'Clamp, fasten', past: 'fastened', act: 'Clamp, look, fasten', record: 'Record the fastening' },
  },
  { id: 'tune', name: 'Tune', past: 'tuned', act: 'Tap and tune', record: 'Record the tension' },
  { id: 'prime', name: 'Prime', past: 'primed', act: 'Prime', record: 'Record this coat', faceUp: true },
  { id: 'handover', name: 'Hand over', past: 'handed over', act: 'Weigh, label, hand over', record: 'Record the handover' },
] as const;

export type Stage = (typeof STAGES)[number];
export type StageId = Stage['id'];

export const STAGE_IDS = STAGES.map((stage) => stage.id) as StageId[];
interface StageWords {
  name: string;
  past: string;
  act: string;
  record: string;
}

/** What a stage is called, done and recorded as; on a painted canvas some are other work. */
export const stageActs = (id: StageId, painted: boolean): StageWords => {
  const stage: Stage & { painted?: StageWords } = stageById(id);
  return painted && stage.painted ? stage.painted : stage;
};

/** The run of the work by what the cloth is: a painting is looked at and measured before anything is chosen or made for it. */
const BLANK_RUN: readonly StageId[] = ['brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'handover'];
const PAINTED_RUN: readonly StageId[] = ['look', 'cloth', 'brief', 'bars', 'square', 'fasten', 'tune', 'handover'];

/**
 * The stages of a job in their order, by whether its cloth carries an image.
 *
 * @example runOf(true).slice(0, 3) // ['look', 'cloth', 'brief']
 */
export const runOf = (painted: boolean): readonly StageId[] => (painted ? PAINTED_RUN : BLANK_RUN);

/**
 * Whether the face is looked at, that of a painting when it is measured too: everything else is done with the frame lying on it.
 *
 * @example isFaceUp('cloth', true) // true
 */
export const isFaceUp = (id: StageId, painted: boolean): boolean => 'faceUp' in stageById(id) || (painted && id === 'cloth');

export const stageById = (id: StageId): Stage => STAGES.find((stage) => stage.id === id)!;
