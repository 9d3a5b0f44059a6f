/* For tests: frames in medium cotton, fastened in the compass order, with sums and unevenness that are known from elsewhere. */
export interface KnownPulls {
  w: number;
  h: number;
  profile: string;
  upright: number[];
  level: number[];
  spacing: number;
  grip: 'hand' | 'pliers';
  known: {
    /** Elements across and down. */
    mesh: [across: number, down: number];
    /** Sums of squares of the influence on and above its diagonal. */
    diagonal: number;
    above: number;
    /** Firm pull as taught, N; unevenness of the exact hand, and as it is expected under 15 % of noise. */
    firmN: number;
    asIs: [exact: number, expected: number];
    /** The same by the best pulls, and the mean tension of their edge. */
    best: [exact: number, expected: number];
    meanNPerM: number;
    /** Expected unevenness by four levels. */
    fourLevels: number;
  };
}

export const KNOWN_PULLS: readonly KnownPulls[] = [
  {
    w: 300,
    h: 400,
    profile: 'light',
    upright: [],
    level: [],
    spacing: 45,
    grip: 'hand',
    known: {
      mesh: [26, 30],
      diagonal: 16751.67,
      above: 3516.99,
      firmN: 12.1,
      asIs: [0.2639, 0.3077],
      best: [0.0059, 0.1528],
      meanNPerM: 266.46,
      fourLevels: 0.1619,
    },
  },
  {
    w: 1065,
    h: 762,
    profile: 'standard',
    upright: [0.5],
    level: [],
    spacing: 45,
    grip: 'hand',
    known: {
      mesh: [24, 18],
      diagonal: 36882.96,
      above: 7614.28,
      firmN: 17.302,
      asIs: [0.4037, 0.4588],
      best: [0.0088, 0.2113],
      meanNPerM: 262.05,
      fourLevels: 0.2248,
    },
  },
  {
    w: 2100,
    h: 1500,
    profile: 'heavy',
    upright: [0.5],
    level: [0.5],
    spacing: 60,
    grip: 'pliers',
    known: {
      mesh: [36, 26],
      diagonal: 24994.31,
      above: 5452.9,
      firmN: 29.85,
      asIs: [0.5116, 0.5709],
      best: [0.0111, 0.2462],
      meanNPerM: 259.84,
      fourLevels: 0.2549,
    },
  },
];
