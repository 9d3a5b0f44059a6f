/* For tests: one worked workshop, and for every write there is a request that it grants. */
import { DEFAULT_RULES } from '@/core/house/houseRules';
import { jobFile, printJobFile } from '@/core/file/jobFile';
import { NOT_OPENED } from '@/core/tension/openCorners';
import { USUAL_WEEK } from '@/core/week/weekSettings';
import { taskId } from '@/core/week/weekShop';
import { toEnd } from '@/core/toEnd';
import { length } from '@/core/units/length';
import { addCloth, clothJobs, clothStore } from './cloth/clothWrites';
import { groundsOf, setStock } from './ground/groundWrites';
import { UNPLACED } from '@/core/life/straightened';
import { openJob } from './job/jobReading';
import { createJob } from './job/jobWrites';
import { lookAtList } from './lists/listWrites';
import { takenDownShape } from '@/core/painting/takenDownWork';
import { fromStock, rolledWorks, takeDown } from './life/takingDown';
import { jobCost, saveCosts } from './cost/costWrites';
import { plannedWeek } from './week/testWeek';
import { storeView } from './store/storeWrites';
import { toBuyList } from './store/buyWrites';
import { SUBSTANCES } from '@/core/prime/substances';
import { costSettingsShape } from '@/core/cost/costSettings';
import { NO_CHANGE } from '@/core/variant/variant';
import { printPassport } from '@/core/life/passport';
import { passport } from './life/passportWrites';
import { keepVariant } from './variant/variantWrites';
import { startOf } from '@/core/shape/shape';
import { listGroundStock } from '@/db/groundStocks';
import { rackMoves } from './rack/undoRackMove';
import { clothMoves } from './cloth/undoClothMove';
import { addToRack, series } from './rack/rackWrites';
import type { Request, RequestName } from './writes';
import { ELSEWHERE } from './life/testElsewhere';
import { tapWavs } from './reading/testTaps';
import { type TestWorkshop, recordStage, revisionOf, type, value } from './testWorkshop';
import { type WorkedWorkshop, keepPriced } from './testWorked';

/** A request that is granted by the worked workshop as it stands. */
export function grantedRequest<N extends RequestName>({ workshop, ids, sets }: WorkedWorkshop, name: N): Request<N> {
  const of = (jobId: string) => ({ jobId, revision: revisionOf(workshop, jobId), maker: 'Me', note: '' });
  const seen = (jobId: string) => ({ jobId, revision: revisionOf(workshop, jobId) });
  const broken = { jobId: ids.broken, revision: 1 };
  const roll = () => clothStore(workshop).find(({ tag }) => tag === 'R1')!;
  const requests: { [M in RequestName]: () => Request<M> } = {
    newJob: () => ({ title: 'Harbour', width: length(600), height: length(400), use: 'restretch' }),
    newSet: () => ({
      title: 'Three tides',
      kind: 'panels',
      faces: [400, 600, 400].map((mm) => ({ width: length(mm), height: length(700) })),
      layout: { columns: 3, gap: length(20), align: 'middle', free: [] },
    }),
    growSet: () => ({ setId: sets.id, revision: sets.revision, count: 2 }),
    changeSet: () => ({
      setId: sets.id,
      revision: sets.revision,
      title: 'Evening class',
      layout: { ...sets.layout, columns: 1 },
    }),
    planSetBy: () => {
      type(workshop, sets.jobs[0]!, (inputs) => ({ ...inputs, bars: { ...inputs.bars, joint: 'mitreGlued' } }));
      return { setId: sets.id, setRevision: sets.revision, ...seen(sets.jobs[0]!) };
    },
    rejoinSet: () => {
      type(workshop, sets.jobs[0]!, (inputs) => ({ ...inputs, bars: { ...inputs.bars, joint: 'mitreGlued' } }));
      return seen(sets.jobs[0]!);
    },
    typeMeasured: () => ({
      ...seen(sets.jobs[1]!),
      stage: 'square',
      down: length(500),
      up: length(501),
      lift: null,
      feel: null,
      weighedKg: null,
    }),
    recordTogether: () => ({
      canvases: sets.jobs.map(seen),
      stage: 'brief',
      maker: 'Me',
      note: '',
      reason: '',
      unit: 'mm',
      view: 'back',
    }),
    withdrawTogether: () => ({
      entries: [ids.squared, ids.tuned].map((id) => ({ ...seen(id), entryId: openJob(workshop, id)!.log.at(-1)!.id })),
      maker: 'Me',
      reason: 'Read the wrong ones.',
    }),
    archive: () => ({ canvases: [ids.squared, ids.tuned].map(seen), archived: true }),
    keepCare: () => ({
      ...of(ids.tuned),
      event: 'slack',
      feel: 'soft',
      down: null,
      up: null,
      bulge: null,
      air: { celsius: 17, rh: 72 },
      jpeg: null,
    }),
    keepCorners: () => ({ jobId: ids.tuned, entryId: openJob(workshop, ids.tuned)!.log[0]!.id, corners: UNPLACED }),
    takeElsewhere: () => ({ ...ELSEWHERE, fabric: 'linenMedium', madeOn: '2019-04-02' }),
    takePassport: () => {
      const given = passport(workshop, ids.tuned);
      if (typeof given === 'string') throw new Error(given);
      return { text: printPassport({ ...given, made: { ...given.made, id: 'elsewhere' } }), maker: 'Me' };
    },
    keepHanging: () => ({
      ...of(ids.tuned),
      hangs: { place: 'Town hall', owner: 'The council', climate: 'unheated', leastRh: 55, mostRh: 85 },
    }),
    keepVariant: () => ({
      jobId: ids.fresh,
      id: 'variant-1',
      revision: 0,
      name: 'Deeper bars',
      changes: { ...NO_CHANGE, profile: 'deep' },
    }),
    dropVariant: () => ({ jobId: ids.fresh, id: keptVariant(workshop, ids.fresh).id, revision: 1 }),
    adoptVariant: () => ({ ...seen(ids.fresh), maker: 'Me', id: keptVariant(workshop, ids.fresh).id, variantRevision: 1 }),
    removeJob: () => ({ jobId: ids.fresh, revision: revisionOf(workshop, ids.fresh) }),
    copyJob: () => ({ jobId: ids.fastened, title: 'Harbour, again', count: 3 }),
    importJob: () => {
      const { job, log } = openJob(workshop, ids.tuned)!;
      const { revision: _revision, ...plain } = job;
      const other = log.map((entry) => ({
        ...entry,
        id: `other-${entry.id}`,
        corrects: entry.corrects && `other-${entry.corrects}`,
      }));
      return { text: printJobFile(jobFile({ ...plain, id: 'other' }, other, DEFAULT_RULES.materials)), keepBoth: false };
    },
    saveInputs: () => {
      const { job } = openJob(workshop, ids.fresh)!;
      const brief = { ...job.inputs.brief, title: 'Quay' };
      return { jobId: job.id, revision: job.revision, inputs: { ...job.inputs, brief } };
    },
    recordStep: () => ({
      ...of(ids.squared),
      stage: 'cloth',
      reason: 'For the test.',
      unit: 'mm',
      view: 'back',
      clothId: roll().id,
      air: null,
    }),
    withdraw: () => ({
      jobId: ids.tuned,
      revision: revisionOf(workshop, ids.tuned),
      maker: 'Me',
      entryId: openJob(workshop, ids.tuned)!.log.at(-1)!.id,
      reason: 'Read the wrong one.',
    }),
    setAside: () => ({ ...broken, aside: true }),
    mendJob: () => ({ ...broken, text: JSON.stringify(openJob(workshop, ids.fresh)!.job.inputs) }),
    keepRehearsal: () => ({ ...of(ids.fresh), moves: [{ act: 'fasten', place: 0, pull: 'firm' }], offGrainDeg: 0 }),
    keepTaps: () => ({ ...of(ids.fastened), air: null, wavs: tapWavs(200), source: 'file' }),
    keepTurns: () => ({ ...of(ids.fastened), opened: { ...NOT_OPENED, topLeft: 1 } }),
    keepWeight: () => {
      const { job } = openJob(workshop, ids.fastened)!;
      const weight = { ...job.inputs.tune.weight, lightSag: length(4), heavySag: length(8) };
      workshop.database
        .prepare('UPDATE job SET inputs = ? WHERE id = ?')
        .run(JSON.stringify({ ...job.inputs, tune: { ...job.inputs.tune, weight } }), ids.fastened);
      return { ...of(ids.fastened), air: null };
    },
    keepHandTrial: () => ({ maker: 'Me', feel: 'firm', pulledN: [17, 18.5, 19], simulated: false }),
    keepFeel: () => ({ ...of(ids.fastened), air: { celsius: 17.5, rh: 61 }, feel: 'firm' }),
    keepPlace: () => ({ jobId: ids.squared, stage: 'cloth' as const, step: 'cloth/width', quarter: 1 as const, filledAt: 1 }),
    keepNote: () => ({
      jobId: ids.squared,
      maker: 'Wren',
      stage: 'cloth' as const,
      step: 'cloth/width',
      says: 'Cloth, across the canvas',
      note: 'a slub near the selvedge',
      jpeg: null,
    }),
    keepFinding: () => {
      const { id } = value(
        createJob(workshop, { title: 'Old harbour', width: length(600), height: length(400), use: 'restretch' }),
      );
      type(workshop, id, (inputs) => ({ ...inputs, look: { ...inputs.look, lookedOver: true } }));
      value(recordStage(workshop, id, 'look'));
      return { jobId: id, maker: 'Wren', note: 'Below the left hand', condition: 'tear' as const, decided: null, jpeg: null };
    },
    keepRemedy: () => ({ ...of(ids.fastened), remedy: 'keys' }),
    importAir: () => ({ text: 'time,temp,humidity\n2031-05-04T06:00:00Z,18,55', source: 'logger' }),
    readSimulatedAir: () => ({}),
    dropSimulatedAir: () => ({}),
    changeItem: () => ({
      item: 'staple8',
      set: {
        name: 'Staple, fine wire',
        unit: 'pieces',
        pack: 5000,
        priceMinor: 890,
        least: 1000,
        place: 'drawer 2',
        supplier: 'Pier hardware',
        revision: storeView(workshop).items.find(({ id }) => id === 'staple8')!.revision,
      },
      taken: 40,
      counted: 950,
      seen: 1000,
      reason: 'lent to the class',
      maker: 'Me',
    }),
    undoMove: () => ({ moveId: workshop.database.prepare<[], string>('SELECT id FROM store_move').pluck().get()!, maker: 'Me' }),
    buyItems: () => ({
      lines: toBuyList(workshop, null)
        .lines.slice(0, 3)
        .map(({ id, packs }) => ({ id, packs })),
      jobIds: [],
      maker: 'Me',
    }),
    takeDown: () => ({
      ...of(ids.tuned),
      work: {
        kept: 'rolled',
        paint: 'thin',
        width: length(600),
        height: length(400),
        margins: { top: length(60), right: length(55), bottom: length(60), left: length(58) },
        faceOut: true,
        along: 'width',
        coreMm: 160,
        place: 'rack over the door',
      },
      keepBars: true,
      openers: 8,
    }),
    restretch: () => {
      value(takeDown.act(workshop, { ...of(ids.tuned), work: startOf(takenDownShape), keepBars: false, openers: 0 }));
      return { rolledId: rolledWorks(workshop)[0]!.id, title: 'Harbour, stretched again' };
    },
    makeFromStock: () => {
      value(
        addToRack.act(workshop, {
          profile: 'standard',
          kind: 'pairs',
          family: 'plain',
          lengthMm: 500,
          count: 4,
          mark: '',
          maker: 'Me',
        }),
      );
      const { id: _id, revision: _revision, ...cloth } = roll();
      value(addCloth.act(workshop, { ...cloth, kind: 'offcut', tag: 'O5', widthMm: 900, lengthMm: 900, maker: 'Me' }));
      const { profile, fabric, widthMm: width, heightMm: height } = fromStock(workshop).canvases[0]!;
      return { title: 'From the rack', profile, fabric, width, height, maker: 'Me' };
    },
    saveCosts: () => ({
      revision: 0,
      settings: {
        ...startOf(costSettingsShape),
        hourMinor: 2400,
        readyMade: [{ widthMm: 400, heightMm: 300, priceMinor: 1250 }],
      },
    }),
    giveQuote: () => {
      const jobId = sets.jobs[0]!;
      const zero = { ...startOf(costSettingsShape), hourMinor: 0 };
      value(saveCosts.act(workshop, { revision: 0, settings: zero }));
      const substances = listGroundStock(workshop.database).map(({ substance }) => substance);
      for (const substance of SUBSTANCES.map(({ id }) => id).filter((id) => !substances.includes(id)))
        value(setStock.act(workshop, { substance, amount: 0, priceMinor: 1500, revision: 0, maker: 'Me' }));
      for (const item of jobCost(workshop, jobId)!.reckoned.lines.filter(({ minor }) => minor === null))
        keepPriced(workshop, item.id);
      return {
        jobId,
        setId: null,
        forWhom: 'The school',
        examplesHold: true,
        seenMinor: jobCost(workshop, jobId)!.reckoned.knownMinor,
        maker: 'Me',
      };
    },
    setStock: () => ({ substance: 'acrylicGround', amount: 4000, priceMinor: 1650, revision: 0, maker: 'Me' }),
    recordBatch: () => ({
      coats: groundsOf(workshop).waiting.map(({ jobId, revision, step }) => ({ jobId, revision, step })),
      mixedMl: 200,
      leftMl: 20,
      maker: 'Me',
      note: '',
      reason: 'For the test.',
    }),
    addToRack: () => ({ profile: 'deep', kind: 'pairs', family: 'plain', lengthMm: 600, count: 2, mark: '', maker: 'Me' }),
    takeFromRack: () => ({ id: rackRow(workshop), count: 1, maker: 'Me' }),
    undoRackMove: () => ({ moveId: rackMoves(workshop)[0]!.id, maker: 'Me' }),
    recordCuts: () => ({ jobIds: [ids.fresh], seen: series(workshop, [ids.fresh]).seen, maker: 'Me' }),
    addCloth: () => {
      const { id: _id, revision: _revision, ...cloth } = roll();
      return { ...cloth, kind: 'offcut', tag: 'O9', lengthMm: 800, maker: 'Me' };
    },
    changeCloth: () => ({ id: roll().id, revision: roll().revision, lengthMm: 8000, flaws: [], gone: false, maker: 'Me' }),
    undoClothMove: () => ({ moveId: clothMoves(workshop)[0]!.id, maker: 'Me' }),
    cutCloth: () => {
      const piece = clothJobs(workshop).find(({ ready }) => ready)!;
      return {
        sheets: [{ id: roll().id, revision: roll().revision, placed: [{ id: piece.id, x: 0, y: 0, turned: false }] }],
        maker: 'Me',
      };
    },
    takeInList: () => {
      const asked = { list: 'jobs', text: 'title,width (in),height\nPier,24,"18 1/2"""', unit: 'mm', maker: 'Me' } as const;
      return { ...asked, seen: value(toEnd(lookAtList(workshop, asked))).seen };
    },
    saveWeek: () => ({ revision: 0, settings: { ...USUAL_WEEK, togetherHours: 6 } }),
    pinTask: () => ({ task: taskId(ids.fresh, 'brief'), maker: 'Me', atMs: null, seenMaker: null, seenAtMs: null }),
    takePlan: () => plannedWeek(workshop),
    saveRules: () => ({ revision: 0, rules: { ...DEFAULT_RULES, workshop: 'Other name' } }),
  };
  return requests[name]() as Request<N>;
}

function keptVariant(workshop: TestWorkshop, jobId: string) {
  const changes = { ...NO_CHANGE, profile: 'deep' };
  return value(keepVariant.act(workshop, { jobId, id: 'variant-2', revision: 0, name: 'Deeper bars', changes }))[0]!;
}

const rackRow = ({ database }: TestWorkshop): string => database.prepare<[], string>('SELECT id FROM rack_bar').pluck().get()!;
