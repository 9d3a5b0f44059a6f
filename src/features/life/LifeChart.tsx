'use client';
/* Tension through the years: what was measured and felt, the band of the air and of time, and what was done, numbered as below. */
import { scaleLinear, scaleUtc } from 'd3-scale';
import { area } from 'd3-shape';
import { format } from 'date-fns';
import { assumed } from '@/core/house/houseRules';
import type { Life } from '@/core/life/life';
import type { BandPoint } from '@/core/life/lifeBand';
import { tensionWords } from '@/core/stages/tune/tensionWords';
import { ValueAxis } from '@/ui/drawing/ValueAxis';
import { useWorkshop } from '@/ui/WorkshopContext';
import { shownMarks } from './shownMarks';

const SIZE = { width: 860, height: 330, left: 44, right: 14, top: 40, bottom: 26 };
const DAY_MS = 86_400_000;
/** Marks nearer than this share a step of height, px. */
const APART_PX = 15;

export function LifeChart({ life, band, nowMs }: { life: Life; band: readonly BandPoint[][]; nowMs: number }) {
  const { rules } = useWorkshop();
  const slackBelow = assumed(rules, 'slackBelow');
  const marks = shownMarks(life);
  const firstMs = Math.min(...[...life.tensions, ...marks].map(({ at }) => Date.parse(at)));
  if (!Number.isFinite(firstMs))
    return <p className="soft py-8 text-[15px]">Nothing of its life is written yet: it begins when the cloth is fastened.</p>;
  const fromMs = Math.min(firstMs, nowMs - 30 * DAY_MS);
  const room = (nowMs - fromMs) * 0.015;
  const x = scaleUtc([new Date(fromMs - room), new Date(nowMs + room)], [SIZE.left, SIZE.width - SIZE.right]);
  const most = Math.max(
    slackBelow * 1.5,
    ...life.tensions.map(({ nPerM, sdNPerM }) => nPerM + sdNPerM),
    ...band.flat().map(({ high }) => high),
  );
  const y = scaleLinear([0, most * 1.05], [SIZE.height - SIZE.bottom, SIZE.top]);
  const swath = area<BandPoint>(
    ({ atMs }) => x(atMs),
    ({ low }) => y(low),
    ({ high }) => y(high),
  );
  const years = (nowMs - fromMs) / (365 * DAY_MS);
  const placed = marks.reduce<{ at: number; row: number }[]>((before, { at }) => {
    const px = x(Date.parse(at));
    const taken = before.filter((one) => Math.abs(one.at - px) < APART_PX).map(({ row }) => row);
    const row = [0, 1, 2].find((one) => !taken.includes(one)) ?? 0;
    return [...before, { at: px, row }];
  }, []);
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className="draw w-full min-w-[620px] print:min-w-0"
      role="img"
      aria-label={`Tension through the years in N/m: ${life.tensions.map((one) => `${one.at.slice(0, 10)} ${tensionWords(one.nPerM, one.sdNPerM)}`).join('; ') || 'not measured'}`}
    >
      <ValueAxis y={y} left={SIZE.left} right={SIZE.width - SIZE.right} />
      <text x={2} y={11} style={{ stroke: 'none', fill: 'var(--soft)' }}>
        N/m
      </text>
      <text x={SIZE.width - SIZE.right} y={11} textAnchor="end" style={{ stroke: 'none', fill: 'var(--soft)' }}>
        shaded: what the air of its place and time alone would leave
      </text>
      {band.map((points) => (
        <path key={points[0]!.atMs} d={swath(points)!} fill="var(--color-primary)" opacity="0.2" stroke="none" />
      ))}
      <path d={`M${SIZE.left} ${y(slackBelow)}H${SIZE.width - SIZE.right}`} stroke="var(--color-error)" strokeDasharray="5 3" />
      <text
        x={SIZE.width - SIZE.right}
        y={y(slackBelow) + 13}
        textAnchor="end"
        style={{ stroke: 'none', fill: 'var(--color-error)' }}
      >
        slack below {slackBelow}
      </text>
      {x.ticks(years > 2 ? 10 : 6).map((tick) => (
        <text key={tick.getTime()} x={x(tick)} y={SIZE.height - 8} textAnchor="middle" style={{ stroke: 'none' }}>
          {format(tick, years > 2 ? 'yyyy' : 'MMM yy')}
        </text>
      ))}
      {marks.map((mark, index) => {
        const { at, row } = placed[index]!;
        const top = SIZE.top - 20 + row * 13;
        return (
          <g key={mark.entryId}>
            <path
              d={`M${at} ${top + 6}V${SIZE.height - SIZE.bottom}`}
              stroke={mark.moves ? 'currentColor' : 'var(--soft)'}
              strokeDasharray={mark.moves ? undefined : '2 3'}
              strokeWidth="0.8"
            />
            <circle
              cx={at}
              cy={top}
              r="7"
              fill="var(--color-base-100)"
              stroke="currentColor"
              strokeWidth={mark.moves ? 1.6 : 0.8}
            />
            <text x={at} y={top + 3.5} textAnchor="middle" style={{ stroke: 'none', fontSize: 10 }}>
              {index + 1}
            </text>
          </g>
        );
      })}
      {life.tensions.map((one) => {
        const at = x(Date.parse(one.at));
        const [low, high] = [y(Math.max(0, one.nPerM - one.sdNPerM)), y(one.nPerM + one.sdNPerM)];
        const ink = one.nPerM < slackBelow ? 'var(--color-error)' : 'currentColor';
        return (
          <g key={one.entryId}>
            <path
              d={`M${at} ${low}V${high}`}
              stroke={ink}
              strokeWidth={one.tool === 'hand' ? 5 : 1.4}
              opacity={one.tool === 'hand' ? 0.45 : 1}
            />
            {one.tool === 'tap' && <circle cx={at} cy={y(one.nPerM)} r="4" fill={ink} />}
            {one.tool === 'weight' && <rect x={at - 3.6} y={y(one.nPerM) - 3.6} width="7.2" height="7.2" fill={ink} />}
          </g>
        );
      })}
    </svg>
  );
}
