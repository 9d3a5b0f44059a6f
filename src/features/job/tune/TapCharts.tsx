'use client';
/* Spectra of the three taps with the modes of the cloth marked, and how each dies away: D3 scales and lines. */
import { bare, printed, tickText } from '@/core/quantities/printed';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { TapsReading } from '@/core/tension/tap/analyseTaps';
import { TAP_PLACE_IDS } from '@/core/tension/tap/membraneTone';
import { ValueAxis } from '@/ui/drawing/ValueAxis';

type Pictured = Extract<TapsReading, { kind: 'read' | 'doubted' }>;

const INK = { C: 'var(--color-primary)', X: 'var(--color-success)', Y: 'var(--color-warning)' } as const;
const DASH = { C: undefined, X: '6 3', Y: '2 3' } as const;
const SPECTRUM = { width: 300, height: 158, left: 20, right: 6, top: 40, bottom: 32 };
const DECAY = { width: 180, height: 158, left: 32, right: 6, top: 24, bottom: 32 };

export function TapCharts({ reading }: { reading: Pictured }) {
  return (
    <div className="grid gap-3 sm:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
      <Spectra reading={reading} />
      <Decays reading={reading} />
    </div>
  );
}

function Spectra({ reading }: { reading: Pictured }) {
  const points = reading.pictures.C.spectrum;
  const x = scaleLinear([points[0]!.hz, points.at(-1)!.hz], [SPECTRUM.left, SPECTRUM.width - SPECTRUM.right]);
  const y = scaleLinear([0, 1], [SPECTRUM.height - SPECTRUM.bottom, SPECTRUM.top]);
  const path = line<{ hz: number; size: number }>(
    ({ hz }) => x(hz),
    ({ size }) => y(size),
  );
  const modes = reading.kind === 'read' ? reading.modes : [];
  return (
    <svg
      viewBox={`0 0 ${SPECTRUM.width} ${SPECTRUM.height}`}
      className="draw w-full"
      role="img"
      aria-label={`Spectrum of the taps${modes.length > 0 ? `; notes of the cloth: ${modes.map(({ name, hz }) => `${name} at ${printed('frequency', hz)}`).join(', ')}` : ''}`}
    >
      {modes.map(({ name, hz }, index) => (
        <g key={name}>
          <path
            d={`M${x(hz)} ${SPECTRUM.top - 4}V${SPECTRUM.height - SPECTRUM.bottom}`}
            stroke="var(--soft)"
            strokeDasharray="1 3"
          />
          <text x={x(hz)} y={SPECTRUM.top - 5 - (index % 3) * 11} textAnchor="middle" style={{ stroke: 'none', fontSize: 11.5 }}>
            {name}
          </text>
        </g>
      ))}
      {TAP_PLACE_IDS.map((place) => (
        <path
          key={place}
          d={path(reading.pictures[place].spectrum)!}
          fill="none"
          stroke={INK[place]}
          strokeWidth="1.8"
          strokeDasharray={DASH[place]}
        />
      ))}
      <path
        d={`M${SPECTRUM.left} ${SPECTRUM.height - SPECTRUM.bottom}H${SPECTRUM.width - SPECTRUM.right}`}
        stroke="var(--hair)"
      />
      {x.ticks(5).map((tick) => (
        <text key={tick} x={x(tick)} y={SPECTRUM.height - SPECTRUM.bottom + 14} textAnchor="middle" style={{ stroke: 'none' }}>
          {tick}
        </text>
      ))}
      <text
        x={SPECTRUM.width - SPECTRUM.right}
        y={SPECTRUM.height - 3}
        textAnchor="end"
        style={{ stroke: 'none', fill: 'var(--soft)' }}
      >
        Hz; marked: waves across, down
      </text>
      <text
        x={12}
        y={(SPECTRUM.height - SPECTRUM.bottom + SPECTRUM.top) / 2}
        textAnchor="middle"
        transform={`rotate(-90 12 ${(SPECTRUM.height - SPECTRUM.bottom + SPECTRUM.top) / 2})`}
        style={{ stroke: 'none', fill: 'var(--soft)' }}
      >
        own peak 1
      </text>
    </svg>
  );
}

const FLOOR_DB = -45;

function Decays({ reading }: { reading: Pictured }) {
  const seconds = Math.max(...TAP_PLACE_IDS.map((place) => reading.pictures[place].decay.at(-1)?.seconds ?? 0.5));
  const x = scaleLinear([0, seconds], [DECAY.left, DECAY.width - DECAY.right]);
  const y = scaleLinear([FLOOR_DB, 6], [DECAY.height - DECAY.bottom, DECAY.top]);
  const path = line<{ seconds: number; db: number }>(
    (point) => x(point.seconds),
    (point) => y(Math.max(FLOOR_DB, point.db)),
  );
  const q = reading.kind === 'read' ? `, Q ${bare('quality', reading.tension.q)}` : '';
  return (
    <svg
      viewBox={`0 0 ${DECAY.width} ${DECAY.height}`}
      className="draw w-full max-w-[280px]"
      role="img"
      aria-label={`How the taps die away, dB over seconds${q}`}
    >
      <ValueAxis y={y} left={DECAY.left} right={DECAY.width - DECAY.right} />
      {TAP_PLACE_IDS.map((place, index) => (
        <g key={place}>
          <path
            d={path(reading.pictures[place].decay)!}
            fill="none"
            stroke={INK[place]}
            strokeWidth="1.8"
            strokeDasharray={DASH[place]}
          />
          <path d={`M${DECAY.left + index * 48} 8h20`} stroke={INK[place]} strokeWidth="1.8" strokeDasharray={DASH[place]} />
          <text x={DECAY.left + index * 48 + 25} y={12} style={{ stroke: 'none' }} className="strong">
            {place}
          </text>
        </g>
      ))}
      {x.ticks(3).map((tick) => (
        <text key={tick} x={x(tick)} y={DECAY.height - DECAY.bottom + 14} textAnchor="middle" style={{ stroke: 'none' }}>
          {tickText(tick)}
        </text>
      ))}
      <text x={DECAY.width - DECAY.right} y={DECAY.height - 3} textAnchor="end" style={{ stroke: 'none', fill: 'var(--soft)' }}>
        dB over s{q}
      </text>
    </svg>
  );
}
