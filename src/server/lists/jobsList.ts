/* Jobs as a list: every job out, new briefs in. */
import type { HouseRules } from '@/core/house/houseRules';
import type { JobInputs } from '@/core/job/job';
import { EDGES, MEDIUMS, USES, isPainted } from '@/core/house/schools';
import { stageActs } from '@/core/stages/stages';
import { length, printSize } from '@/core/units/length';
import { type ListedJob, jobsAfter, numberTaken, openTwin } from '@/db/jobs';
import { beginJob, firstInputs } from '../job/jobWrites';
import { settle } from '../job/jobStates';
import { done } from '../write/outcome';
import { type RowOf, choiceCells, dayCells, lengthCells, numberCells, orElse, printRows, readTable, textCells } from './csvTable';
import type { List, ListPlan } from './list';

const face = (name: string) => lengthCells(name, 'faceLength');
const COLUMNS = {
  /** 0 for a job that has none yet. */
  number: orElse(numberCells('number', 'jobNumber'), 0),
  title: textCells('title', 120),
  width: face('width'),
  height: face('height'),
  use: orElse(choiceCells('use', USES), 'new'),
  edges: orElse(choiceCells('edges', EDGES), 'unframed'),
  medium: orElse(choiceCells('medium', MEDIUMS), 'undecided'),
  dueOn: orElse(dayCells('due'), ''),
  note: orElse(textCells('note', 2000), ''),
};
/** With what is written for whoever reads the table, and read from nowhere. */
const WRITTEN = { ...COLUMNS, stage: textCells('stage', 80) };
const JOBS_AT_ONCE = 500;

const asRow = ({ number, title, widthMm, heightMm, dueOn, stage, finished, inputs }: ListedJob): RowOf<typeof WRITTEN> => ({
  number,
  title,
  width: length(widthMm),
  height: length(heightMm),
  use: inputs?.brief.use ?? ('' as never),
  edges: inputs?.brief.edges ?? ('' as never),
  medium: inputs?.brief.medium ?? ('' as never),
  dueOn: dueOn ?? '',
  note: inputs?.brief.note ?? '',
  stage: finished ? 'finished' : stage ? stageActs(stage, isPainted(inputs?.brief.use ?? '')).name : 'cannot be read',
});

/** What a job of a row starts with: as by hand, with what the table has beyond its face. */
function inputsOf(
  rules: HouseRules,
  { title, width, height, use, edges, medium, dueOn, note }: RowOf<typeof COLUMNS>,
): JobInputs {
  const inputs = firstInputs(title, width, height, rules);
  return { ...inputs, brief: { ...inputs.brief, use, edges, medium, dueOn: dueOn || null, note } };
}

export const jobsList: List = {
  *write(workshop, unit) {
    settle(workshop);
    yield printRows(WRITTEN, [], unit, true);
    for (let after = 0; ;) {
      const jobs = jobsAfter(workshop.database, after, JOBS_AT_ONCE);
      if (jobs.length === 0) return;
      yield printRows(WRITTEN, jobs.map(asRow), unit);
      after = jobs.at(-1)!.number;
    }
  },
  *read(workshop, text, { rules, tape }) {
    const table = readTable(text, COLUMNS);
    if (!table.ok) return table;
    settle(workshop);
    const plan: ListPlan = { changes: [], ignored: table.value.ignored, acts: [], stands: true };
    for (const row of table.value.rows) {
      const { line, number, title, width, height, dueOn } = row;
      if (number > 0 && numberTaken(workshop.database, number)) {
        plan.changes.push({ line, what: 'same', says: `No. ${number} is here already` });
        continue;
      }
      const twin = openTwin(workshop.database, title, width.mm, height.mm);
      const says = `${title}, ${printSize(width.mm, height.mm, tape)}${dueOn ? `, due ${dueOn}` : ''}`;
      plan.changes.push({ line, what: 'new', says: twin === null ? says : `${says}; No. ${twin} has this title and size too` });
      // Bars are chosen for each face: that takes a while.
      const inputs = inputsOf(rules, row);
      plan.acts.push({ line, act: () => beginJob(workshop, inputs) });
      yield undefined;
    }
    return done(plan);
  },
};
