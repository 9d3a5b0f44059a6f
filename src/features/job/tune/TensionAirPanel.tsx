'use client';
/* Tension in the air of the year: the band that this canvas would have gone through, as a D3 chart. */
import { bare, printed } from '@/core/quantities/printed';
import Link from 'next/link';
import { extent } from 'd3-array';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, line } from 'd3-shape';
import { format } from 'date-fns';
import { assumed } from '@/core/house/houseRules';
import { tensionAt, weatherBand } from '@/core/tension/clothWeather';
import type { AirDay } from '@/server/air/airWrites';
import { ValueAxis } from '@/ui/drawing/ValueAxis';
import { useWorkshop } from '@/ui/WorkshopContext';
import type { TuneStageProps } from './tuneProps';

const SIZE = { width: 720, height: 176, left: 40, right: 10, top: 18, bottom: 24 };

export function TensionAirPanel({ plan, inputs, air }: TuneStageProps) {
  const { rules } = useWorkshop();
  const { last, weather } = plan.tune;
  const known = { nPerM: last?.nPerM ?? inputs.bars.tensionNPerM, rh: last?.rh ?? inputs.prime.roomRh };
  const least = assumed(rules, 'slackBelow');
  if (air.days.length < 2)
    return (
      <p className="max-w-prose text-[14.5px]">
        No air is read yet.{' '}
        <Link className="link" href="/air">
          Take in the table of a hygrometer, or try the simulated one
        </Link>
        : then the tension of this canvas is followed through the year.
      </p>
    );
  const damp = weatherBand(
    known,
    air.days.map(({ day, celsius, mostRh }) => ({ at: day, celsius, rh: mostRh })),
    least,
    weather,
  )!;
  const dry = weatherBand(
    known,
    air.days.map(({ day, celsius, leastRh }) => ({ at: day, celsius, rh: leastRh })),
    least,
    weather,
  )!;
  return (
    <div className="space-y-1">
      <p className="figure text-[14.5px]">
        {last && last.tool !== 'hand' ? 'From' : 'If it had'} {printed('tension', known.nPerM)} at {printed('humidity', known.rh)}
        {(last?.rh ?? null) === null && ' (assumed, not read)'} it goes from <strong>{bare('tension', damp.least)}</strong> to{' '}
        <strong>{printed('tension', dry.most)}</strong> in the air of the last {air.days.length} days
        {damp.slackPart > 0 ? `, slack on ${Math.round(damp.slackPart * air.days.length)} of them` : ', and never hangs slack'}.
        To keep {printed('tension', least)} at {printed('humidity', damp.dampRh)} it wants{' '}
        <strong>{printed('tension', damp.needed)}</strong> now.
      </p>
      <BandChart days={air.days} known={known} least={least} sd={last?.sdNPerM ?? 0} response={weather} />
      <p className="soft text-[13px]">
        Strain by humidity, cloth less bars, times stiffness: without delay, and with coefficients that are guesses of{' '}
        <Link className="link" href="/rules#clothDamp">
          the house
        </Link>
        .
      </p>
    </div>
  );
}

function BandChart({
  days,
  known,
  least,
  sd,
  response,
}: {
  days: AirDay[];
  known: { nPerM: number; rh: number };
  least: number;
  sd: number;
  response: TuneStageProps['plan']['tune']['weather'];
}) {
  const points = days.map(({ day, leastRh, mostRh, rh }) => ({
    at: new Date(`${day}T12:00:00Z`),
    low: Math.max(0, tensionAt(known, mostRh, response) - sd),
    high: tensionAt(known, leastRh, response) + sd,
    middle: tensionAt(known, rh, response),
  }));
  const [from, to] = extent(points, ({ at }) => at) as [Date, Date];
  const x = scaleUtc([from, to], [SIZE.left, SIZE.width - SIZE.right]);
  const y = scaleLinear([0, Math.max(...points.map(({ high }) => high), least) * 1.08], [SIZE.height - SIZE.bottom, SIZE.top]);
  type P = (typeof points)[number];
  const band = area<P>(
    ({ at }) => x(at),
    ({ low }) => y(low),
    ({ high }) => y(high),
  );
  const mean = line<P>(
    ({ at }) => x(at),
    ({ middle }) => y(middle),
  );
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="draw w-full"
      role="img"
      aria-label={`Tension over the year in N/m, slack below ${least}`}
    >
      <ValueAxis y={y} left={SIZE.left} right={SIZE.width - SIZE.right} />
      <text x={4} y={11} style={{ stroke: 'none', fill: 'var(--soft)' }}>
        N/m; the band holds each day’s swing{sd > 0 ? ' and one standard deviation' : ''}
      </text>
      <path d={band(points)!} fill="var(--color-primary)" opacity="0.22" />
      <path d={mean(points)!} fill="none" stroke="var(--color-primary)" strokeWidth="1.6" />
      <path d={`M${SIZE.left} ${y(least)}H${SIZE.width - SIZE.right}`} stroke="var(--color-error)" strokeDasharray="5 3" />
      <text x={SIZE.width - SIZE.right} y={y(least) - 4} textAnchor="end" style={{ stroke: 'none', fill: 'var(--color-error)' }}>
        slack below {least}
      </text>
      {x.ticks(8).map((tick) => (
        <text key={tick.getTime()} x={x(tick)} y={SIZE.height - 7} textAnchor="middle" style={{ stroke: 'none' }}>
          {format(tick, 'MMM')}
        </text>
      ))}
    </svg>
  );
}
