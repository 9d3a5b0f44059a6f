/* Whether a plan can be worked by: the checker beside the solver, which knows nothing of it. */
import { SPARE_DAYS, type Shop, type ShopPlan, type ShopTask, dayOf } from './shop';
import { type OpenWindow, windowsOf } from './workCalendar';

/** What is wrong with a plan, as sentences; none where every rule is kept. */
export function scheduleViolations(shop: Shop, plan: ShopPlan): string[] {
  const { tasks, jobs } = shop;
  const windows = shop.makers.map(({ calendar }) => windowsOf(calendar, shop.horizonDays + SPARE_DAYS));
  const own = tasks.flatMap((task) => ownViolations(task, shop, plan, windows));
  if (own.length > 0) return own;
  const release = new Map(jobs.map((job) => [job.id, job.release]));
  const start = (id: string) => plan.at.get(id)!.start;
  const ends = new Map(tasks.map(({ id, duration }) => [id, start(id) + duration]));
  const order = tasks.flatMap(({ id, job, after, atOnce, running, release: own }) =>
    running !== undefined
      ? []
      : [
          ...(start(id) < (own ?? release.get(job)!)
            ? [`${id} starts at ${start(id)}, before its job at ${release.get(job)}.`]
            : []),
          ...after
            .filter((one) => (atOnce ? ends.get(one) !== start(id) : ends.get(one)! > start(id)))
            .map((one) =>
              atOnce
                ? `${id} starts at ${start(id)}, not when ${one} has ended.`
                : `${id} starts at ${start(id)}, before ${one} has ended.`,
            ),
        ],
  );
  return [...order, ...potViolations(shop, plan, windows), ...handsViolations(shop, plan), ...placeViolations(shop, plan)];
}

/** Of one task: it lies somewhere, by somebody who does it, within her hours, where it was pinned. */
function ownViolations(
  { id, kind, duration, work, places = [], pin, running }: ShopTask,
  shop: Shop,
  plan: ShopPlan,
  windows: readonly OpenWindow[][],
): string[] {
  const at = plan.at.get(id);
  if (!at || !Number.isInteger(at.start) || at.start < 0) return [`${id} has no start.`];
  if (running !== undefined) return at.start === running ? [] : [`${id} runs since ${running}, not ${at.start}.`];
  const { start, maker, place } = at;
  const rightPlace = places.length === 0 ? place === null : place !== null && places.includes(place) ? true : false;
  const pinned = [
    ...(pin && pin.start !== null && pin.start !== start ? [`${id} is pinned to ${pin.start}, and lies at ${start}.`] : []),
    ...(pin && pin.maker !== null && pin.maker !== maker ? [`${id} is pinned to another maker.`] : []),
  ];
  if (!rightPlace) return [`${id} lies on no place that does for it.`];
  if (kind === 'passive') return [...(maker === null ? [] : [`${id} takes no hands.`]), ...pinned];
  const who = maker === null ? undefined : shop.makers[maker];
  if (!who) return [`${id} is done by nobody.`];
  if (work && who.leaves.includes(work)) return [`${id}: ${who.id} does no work of the kind “${work}”.`];
  const inWindow = windows[maker!]!.some(([from, to]) => from <= start && start + duration <= to);
  return [...(inWindow ? [] : [`${id} at ${start} does not lie within one opening window.`]), ...pinned];
}

/** What is set up is set up before, washed out after, and nothing of its family is done without. */
function potViolations({ tasks }: Shop, { at, pots }: ShopPlan, windows: readonly OpenWindow[][]): string[] {
  const inPot = pots.flatMap((pot) => pot.tasks);
  const byId = new Map(tasks.map((task) => [task.id, task]));
  return [
    ...tasks
      .filter(({ id, setUp, running }) => setUp && running === undefined && inPot.filter((one) => one === id).length !== 1)
      .map(({ id }) => `${id} is set up ${inPot.filter((one) => one === id).length} times.`),
    ...pots.flatMap(({ family, maker, from, to, tasks: of }) => {
      const first = byId.get(of[0] ?? '');
      if (!first?.setUp) return [`A pot of ${family} is for nothing.`];
      let moment = from + first.setUp.before;
      for (const id of of) {
        const [task, place] = [byId.get(id), at.get(id)];
        if (task?.setUp?.family !== family || place?.maker !== maker || place.start !== moment)
          return [`${id} is not done in turn with its pot of ${family}.`];
        moment += task.duration;
      }
      const inWindow = windows[maker]!.some(([opens, closes]) => opens <= from && to <= closes);
      return [
        ...(to === moment + first.setUp.after ? [] : [`A pot of ${family} is not washed out.`]),
        ...(inWindow ? [] : [`A pot of ${family} at ${from} does not lie within one opening window.`]),
      ];
    }),
  ];
}

/** Nobody does two things at once, and no hand more than it stands in a day. */
function handsViolations({ tasks, makers, hands }: Shop, { at, pots }: ShopPlan): string[] {
  const active = tasks.filter(({ kind, running }) => kind === 'active' && running === undefined);
  const inPots = new Set(pots.flatMap((pot) => pot.tasks));
  const stretches = [
    ...pots,
    ...active
      .filter(({ id }) => !inPots.has(id))
      .map(({ id, duration }) => ({ maker: at.get(id)!.maker, from: at.get(id)!.start, to: at.get(id)!.start + duration })),
  ];
  const twice = makers.flatMap(({ id }, maker) => {
    const own = stretches.filter((one) => one.maker === maker).sort((a, b) => a.from - b.from);
    return own
      .slice(1)
      .filter(({ from }, index) => own[index]!.to > from)
      .map(({ from }) => `${id} does two things at ${from}.`);
  });
  const potOf = new Map(pots.flatMap((pot) => pot.tasks.map((id) => [id, pot] as const)));
  const strained = new Map<string, { hand: number; day: number; sum: number }>();
  for (const { id, strain = 0 } of active) {
    const { maker, start } = at.get(id)!;
    const [hand, day] = [makers[maker!]!.hand, dayOf(potOf.get(id)?.from ?? start)];
    const known = strained.get(`${hand} ${day}`);
    strained.set(`${hand} ${day}`, { hand, day, sum: (known?.sum ?? 0) + strain });
  }
  return [
    ...twice,
    ...[...strained.values()]
      .filter(({ hand, sum }) => sum > hands[hand]!)
      .map(({ hand, day, sum }) => `Day ${day} strains a hand by ${sum}, it stands ${hands[hand]}.`),
  ];
}

function placeViolations({ tasks, places }: Shop, { at }: ShopPlan): string[] {
  return places.flatMap(({ id: name, count }, place) => {
    const lying = tasks.filter(({ id }) => at.get(id)!.place === place);
    const changes = lying
      .flatMap(({ id, duration, running }) => {
        const { start } = at.get(id)!;
        const plans = running === undefined ? 1 : 0;
        return [
          { moment: start, by: 1, plans },
          { moment: start + duration, by: -1, plans: -plans },
        ];
      })
      // What ends makes room for what starts at that moment.
      .sort((a, b) => a.moment - b.moment || a.by - b.by);
    let [now, planned] = [0, 0];
    for (const { moment, by, plans } of changes) {
      now += by;
      planned += plans;
      // More may lie there already than there is room for: what is planned comes after them.
      if (now > count && planned > 0) return [`At ${moment} ${now} places ${name} are wanted, ${count} are there.`];
    }
    return [];
  });
}
