/*
 * What jobs cost: reckoned from their plans, and as it was taken in fact; beside ready-made ones; and quotes, which stay as they
 * were given.
 */
import { RECORD_TAPE, printSize } from '@/core/units/length';
import { addDays, format } from 'date-fns';
import { randomLcg } from 'd3-random';
import type { JobCase } from '@/core/case/jobCase';
import { readWeek } from '@/db/weeks';
import { type Bill, type BillLine, type Common, type PriceList, type Taken, billOf, pricesOf } from '@/core/cost/bill';
import { costSettingsShape } from '@/core/cost/costSettings';
import { groundItem } from '@/core/cost/materialNeeds';
import { billedTogether } from '@/core/cost/billedTogether';
import { quoteFor } from '@/core/cost/quoteSums';
import { exampleNames, quoted } from '@/core/cost/quoted';
import { type SizeCost, paysFrom, readyPrice } from '@/core/cost/readyMade';
import { setCommon } from '@/core/cost/setCommon';
import { sizeCurve } from '@/core/cost/sizeCurve';
import { groupsBy } from '@/core/groupsBy';
import { batchRecipe } from '@/core/prime/coatRecipe';
import type { StageId } from '@/core/stages/stages';
import { moveOfCut } from '@/db/clothSheets';
import { listGroundStock } from '@/db/groundStocks';
import { findJob, type StoredJob } from '@/db/jobs';
import { findJobSet } from '@/db/jobSets';
import {
  type Quote,
  type StoredSettings,
  findQuote,
  insertQuote,
  nextQuote,
  quotesOfJob,
  readCostSettings,
  writeCostSettings,
} from '@/db/quotes';
import { logOfJob } from '@/db/logEntries';
import { listStore } from '@/db/storeItems';
import { readRules } from '@/db/workshops';
import { brokenJob, caseOfJob } from '../job/jobReading';
import { type Outcome, done, refuse } from '../write/outcome';
import { canvasesOf } from '../set/setWrites';
import type { Workshop } from '../workshop';
import { write } from '../write/write';
import { anyRevision, maker } from '../write/asked';
import { flag, part, optional, whole } from '@/core/shape/shape';
import { idText } from '@/core/job/job';
import { textOf } from '@/core/shape/texts';

export interface CanvasCost {
  jobId: string;
  number: number;
  title: string;
  widthMm: number;
  heightMm: number;
  /** By the plan, and with what was taken in fact in its place. */
  reckoned: Bill;
  taken: Bill;
  /** What a ready-made one of its size costs; null where nobody typed it. */
  readyMinor: number | null;
}

export interface CostView {
  title: string;
  setId: string | null;
  canvases: CanvasCost[];
  /** Of all together, line by line. */
  reckoned: Bill;
  taken: Bill;
  /** Something of it was recorded. */
  begun: boolean;
  curve: SizeCost[];
  /** Width and height together from which making pays, mm. */
  paysFromMm: number | null;
  quotes: Quote[];
  costs: StoredSettings;
}

export const costSettings = ({ database }: Pick<Workshop, 'database'>): StoredSettings => readCostSettings(database);

/** Saves what the house reckons with over the revision that was read. */
export const saveCosts = write({
  asks: { revision: anyRevision, settings: part('costSettings', costSettingsShape) },
  act({ database }: Workshop, dto): Outcome<StoredSettings> {
    const faces = dto.settings.readyMade.map(({ widthMm, heightMm }) =>
      printSize(Math.min(widthMm, heightMm), Math.max(widthMm, heightMm), RECORD_TAPE),
    );
    const twice = faces.find((one, index) => faces.indexOf(one) !== index);
    if (twice) return refuse(`A ready-made price stands twice for ${twice}.`);
    return writeCostSettings(database, dto.settings, dto.revision)
      ? done(readCostSettings(database))
      : refuse('The rates were changed elsewhere in between. Open them again, then change them.');
  },
  again: (workshop) => done(costSettings(workshop)),
});

/** Prices as the store and the shelf of grounds have them; a ground at 0 is one whose price nobody typed. */
export function priceList({ database }: Pick<Workshop, 'database'>): PriceList {
  const items = listStore(database).flatMap(({ id, priceMinor, pack }) =>
    priceMinor === null ? [] : [[id, { priceMinor, pack }] as const],
  );
  const grounds = listGroundStock(database).map(
    ({ substance, priceMinor }) => [groundItem(substance), { priceMinor, pack: 1000 }] as const,
  );
  return {
    settings: readCostSettings(database).settings,
    setUps: readWeek(database).settings,
    items: Object.fromEntries([...items, ...grounds.filter(([, { priceMinor }]) => priceMinor > 0)]),
  };
}

/** What a job took in fact, as far as it is recorded. */
function takenOf({ database }: Pick<Workshop, 'database'>, job: StoredJob, { progress, plan }: JobCase): Taken {
  const cut = moveOfCut(database, job.id);
  const fasten = progress.records.find(({ stage }) => stage === 'fasten');
  const minutes = fasten?.plan?.inputs.fasten.asDone.minutes ?? null;
  const makers = Object.fromEntries(progress.records.map(({ stage, maker }) => [stage, maker])) as Partial<
    Record<StageId, string>
  >;
  const coats = progress.records
    .filter(({ stage }) => stage === 'prime')
    .map(({ plan: frozen }, index) => {
      const coat = plan.prime.coats[index];
      const mixedMl = frozen?.inputs.prime.mixedMl ?? null;
      if (!coat) return 0;
      const { glueG, groundMl } =
        mixedMl === null ? coat.recipe : batchRecipe([{ areaM2: 1, absorbMlPerM2: Math.max(mixedMl, 1e-6) }], coat, 0);
      return glueG > 0 ? glueG : groundMl;
    });
  return { ...(cut ? { cloth: cut } : {}), ...(minutes === null ? {} : { minutes: { fasten: minutes } }), makers, coats };
}

/** Bills as one: alike lines together. */
function summed(bills: readonly Bill[]): Bill {
  const lines = [
    ...groupsBy(
      bills.flatMap(({ lines: own }) => own),
      ({ id, from, what }) => JSON.stringify([id, from, what]),
    ).values(),
  ].map((alike): BillLine => {
    const [first] = alike as [BillLine, ...BillLine[]];
    const overhead = first.group === 'overhead';
    return {
      ...first,
      quantity: overhead ? first.quantity : alike.reduce((sum, { quantity }) => sum + quantity, 0),
      priceMinor: overhead ? alike.reduce((sum, { priceMinor }) => sum + (priceMinor ?? 0), 0) : first.priceMinor,
      minor: alike.some(({ minor }) => minor === null) ? null : alike.reduce((sum, { minor }) => sum + minor!, 0),
    };
  });
  return {
    lines,
    knownMinor: bills.reduce((sum, { knownMinor }) => sum + knownMinor, 0),
    unknown: [...new Set(bills.flatMap(({ unknown }) => unknown))],
  };
}

/** Same canvases, same shares. */
const SEED = 0.2718;

function costOf(workshop: Workshop, jobs: readonly StoredJob[], title: string, setId: string | null): CostView {
  const { database } = workshop;
  const prices = pricesOf(priceList(workshop));
  const { settings } = prices;
  const cases = jobs.map((job) => ({ job, here: caseOfJob(workshop, { job, log: logOfJob(database, job.id) }) }));
  const { rules } = readRules(database);
  const common: (Common | null)[] =
    jobs.length > 1
      ? setCommon(
          cases.map(({ here }) => here.inputs),
          rules,
          randomLcg(SEED),
        )
      : [null];
  const grounds = cases.map(({ here }) => ({ plan: here.plan, inputs: here.inputs, rules: here.house.rules }));
  const { overheadPercent } = settings;
  const reckoned = billedTogether(
    grounds.map((ground, index) => billOf(ground, prices, {}, common[index])),
    overheadPercent,
  );
  const taken = billedTogether(
    cases.map(({ job, here }, index) => billOf(grounds[index]!, prices, takenOf(workshop, job, here), common[index])),
    overheadPercent,
  );
  const canvases = cases.map(({ job, here }, index): CanvasCost => {
    const { brief } = here.inputs;
    const face = { widthMm: brief.width.mm, heightMm: brief.height.mm };
    return {
      jobId: job.id,
      number: job.number,
      title: brief.title,
      ...face,
      reckoned: reckoned[index]!,
      taken: taken[index]!,
      readyMinor: readyPrice(settings, face),
    };
  });
  const curve = sizeCurve(cases[0]!.here, prices);
  return {
    title,
    setId,
    canvases,
    reckoned: summed(canvases.map(({ reckoned }) => reckoned)),
    taken: summed(canvases.map(({ taken }) => taken)),
    begun: cases.some(({ here }) => here.progress.records.length > 0),
    curve,
    paysFromMm: paysFrom(curve, settings),
    quotes: quotesOfJob(database, jobs[0]!.id),
    costs: readCostSettings(database),
  };
}

/** The cost of one job; null where there is none that can be read. */
export function jobCost(workshop: Workshop, jobId: string): CostView | null {
  const job = brokenJob(workshop, jobId) ? null : findJob(workshop.database, jobId);
  return job && costOf(workshop, [job], job.inputs.brief.title, null);
}

/** The cost of a set; null where there is none. */
export function setCost(workshop: Workshop, setId: string): CostView | null {
  const set = findJobSet(workshop.database, setId);
  const jobs = set ? canvasesOf(workshop, setId) : [];
  return set && jobs.length > 0 ? costOf(workshop, jobs, set.title, setId) : null;
}

/** Gives a quote on a job or a set: numbered, and frozen as it is. A price that is not known stops it. */
export const giveQuote = write({
  /** `seenMinor`: what it was seen to cost; `examplesHold`: prices that ship as examples are those of this house. Of a set where one is named. */
  asks: {
    jobId: idText,
    setId: optional(idText),
    forWhom: textOf('person'),
    seenMinor: whole(0, 1_000_000_000),
    examplesHold: flag(),
    maker,
  },
  act(workshop: Workshop, { jobId, setId, forWhom, seenMinor, examplesHold, maker }): Outcome<Quote> {
    const { database, now, newId } = workshop;
    const give = database.transaction((): Outcome<Quote> => {
      const view = setId === null ? jobCost(workshop, jobId) : setCost(workshop, setId);
      if (!view) return refuse('This is not in the workshop any more: go back to the bench.');
      const { reckoned, costs, canvases, title } = view;
      if (reckoned.unknown.length > 0)
        return refuse(
          `A quote needs every price: ${reckoned.unknown.slice(0, 5).join(', ')} ${reckoned.unknown.length === 1 ? 'has' : 'have'} none yet.`,
        );
      if (reckoned.knownMinor !== seenMinor)
        return refuse('What it costs has changed since this was looked at: look again, then give the quote.');
      const example = exampleNames(reckoned);
      if (example.length > 0 && !examplesHold)
        return refuse(
          `Some prices are examples that nobody has confirmed: ${example.join(', ')}. Say that they hold, or put in your own.`,
        );
      const { sums, grossMinor } = quoteFor(canvases.map(quoted), costs.settings);
      const { rules } = readRules(database);
      const quote: Quote = {
        number: nextQuote(database),
        id: newId(),
        at: now().toISOString(),
        maker,
        validUntil: format(addDays(now(), costs.settings.quoteDays), 'yyyy-MM-dd'),
        forWhom: forWhom.trim(),
        frozen: {
          ...sums,
          title,
          currency: rules.currency,
          workshop: rules.workshop,
          taxName: costs.settings.taxName,
          taxPercent: costs.settings.taxPercent,
          canvases: canvases.map(({ number, title: own, widthMm, heightMm }, index) => ({
            number,
            title: own,
            widthMm,
            heightMm,
            grossMinor: grossMinor[index]!,
          })),
        },
      };
      insertQuote(
        database,
        quote,
        canvases.map((one) => one.jobId),
      );
      return done(quote);
    });
    return give.immediate();
  },
  again: (workshop, _request, ofId) => {
    const quote = quoteNumbered(workshop, Number(ofId));
    return quote ? done(quote) : refuse('There is no such quote.');
  },
  about: ({ number }) => String(number),
});

export const quoteNumbered = ({ database }: Pick<Workshop, 'database'>, number: number): Quote | null =>
  findQuote(database, number);
