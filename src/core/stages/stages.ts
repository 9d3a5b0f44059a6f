/** The stages of a job, in the order of the work; `past` is what a canvas is once it is through. */
export const STAGES = [
  { id: 'brief', name: 'Brief', past: 'briefed', act: 'Settle the brief', record: 'Record the brief', minutes: 10, faceUp: true },
  { id: 'bars', name: 'Bars', past: 'assembled', act: 'Assemble the bars', record: 'Record the frame', minutes: 35 },
  { id: 'square', name: 'Square', past: 'squared', act: 'Check square', record: 'Record the readings', minutes: 10 },
  {
    id: 'cloth',
    name: 'Cloth',
    past: 'cut',
    act: 'Cut the cloth',
    record: 'Record the cut',
    minutes: 25,
    painted: { act: 'Measure the margins left', record: 'Record the margins' },
  },
  { id: 'fasten', name: 'Fasten', past: 'fastened', act: 'Fasten the cloth', record: 'Record the fastening', minutes: 45 },
  { id: 'tune', name: 'Tune', past: 'tuned', act: 'Tap and tune', record: 'Record the tension', minutes: 10 },
  { id: 'prime', name: 'Prime', past: 'primed', act: 'Prime', record: 'Record this coat', minutes: 20, faceUp: true },
  {
    id: 'handover',
    name: 'Hand over',
    past: 'handed over',
    act: 'Weigh, label, hand over',
    record: 'Record the handover',
    minutes: 15,
  },
] as const;

export type Stage = (typeof STAGES)[number];
export type StageId = Stage['id'];

export const STAGE_IDS = STAGES.map((stage) => stage.id) as StageId[];
/** What is done and recorded at a stage; a painted canvas is measured where a blank one is cut. */
export const stageActs = (id: StageId, painted: boolean): { act: string; record: string } => {
  const stage: Stage & { painted?: { act: string; record: string } } = stageById(id);
  return painted && stage.painted ? stage.painted : stage;
};

/** The painted face is looked at: everything else is done with the frame lying on it. */
export const isFaceUp = (id: StageId): boolean => 'faceUp' in stageById(id);

export const stageById = (id: StageId): Stage => STAGES.find((stage) => stage.id === id)!;
