/* For tests: workshops of a few days with what is known of their best plans. Steps are quarter hours. */
import type { Shop, ShopTask } from './shop';
import type { OpenWindow } from './workCalendar';

interface ScheduleCase {
  id: string;
  /** What is given is the best there is; else the best that is known. */
  proven: boolean;
  makers: number;
  places: number;
  stapling: number;
  days: number;
  firstWeekday: number;
  saturday: boolean;
  closed: number[];
  /** Tardiness and the makespan at it, makespan and the tardiness at it. */
  tardinessFirst: [number, number];
  makespanFirst: [number, number | null];
  /** Release, due, and tasks one after the other: hands, stapling, or a place on the rack, each with its steps. */
  jobs: [release: number, due: number, chain: string][];
}

const DAY: OpenWindow[] = [
  [36, 48],
  [52, 68],
];

export const SCHEDULE_CASES: ScheduleCase[] = [
  {
    id: 's1',
    proven: true,
    makers: 1,
    places: 1,
    stapling: 2,
    days: 14,
    firstWeekday: 1,
    saturday: false,
    closed: [],
    tardinessFirst: [8, 140],
    makespanFirst: [137, 45],
    jobs: [
      [0, 92, 'A5 P22 S5'],
      [0, 132, 'A5 P12 S8'],
    ],
  },
  {
    id: 's2',
    proven: true,
    makers: 1,
    places: 1,
    stapling: 2,
    days: 14,
    firstWeekday: 1,
    saturday: true,
    closed: [],
    tardinessFirst: [65, 141],
    makespanFirst: [135, 71],
    jobs: [
      [0, 64, 'A3 P21 A2 A1'],
      [0, 76, 'A4 P19 A5 A4'],
    ],
  },
  {
    id: 's3',
    proven: true,
    makers: 1,
    places: 2,
    stapling: 1,
    days: 14,
    firstWeekday: 5,
    saturday: false,
    closed: [],
    tardinessFirst: [216, 428],
    makespanFirst: [426, 382],
    jobs: [
      [132, 424, 'A2 P17 S8'],
      [0, 44, 'A3 S4 A2'],
      [0, 120, 'A3 S6 A1'],
    ],
  },
  {
    id: 'l11',
    proven: false,
    makers: 1,
    places: 3,
    stapling: 2,
    days: 40,
    firstWeekday: 1,
    saturday: false,
    closed: [4],
    tardinessFirst: [93, 331],
    makespanFirst: [329, null],
    jobs: [
      [0, 356, 'A2 S8 A3'],
      [0, 356, 'A5 P15 S7'],
      [0, 260, 'A5 P15 A5 P33'],
      [0, 452, 'A2 S6 A1 P30'],
      [0, 356, 'A4 P23 A2 A5'],
      [0, 164, 'A3 P12 S7 A2 P24'],
      [0, 356, 'A5 S6 A2'],
      [192, 164, 'A2 P20 S7'],
    ],
  },
  {
    id: 'l12',
    proven: false,
    makers: 2,
    places: 4,
    stapling: 4,
    days: 40,
    firstWeekday: 1,
    saturday: false,
    closed: [4],
    tardinessFirst: [0, 280],
    makespanFirst: [280, null],
    jobs: [
      [0, 260, 'A6 P16 S4 A3 P17'],
      [96, 452, 'A4 S7 A2'],
      [0, 548, 'A6 P16 S7'],
      [192, 452, 'A1 P14 A1 P35'],
      [96, 260, 'A1 S8 A4 P25'],
      [0, 452, 'A2 P19 A2 A5'],
      [0, 452, 'A3 P22 S7 A1 P20'],
      [0, 356, 'A4 S8 A3'],
      [0, 164, 'A5 P19 S6'],
      [0, 260, 'A3 P14 A5 P28'],
      [0, 356, 'A1 S6 A3 P25'],
      [0, 164, 'A3 P15 A2 A1'],
      [0, 452, 'A3 P22 S6 A4 P16'],
      [0, 452, 'A2 S6 A3'],
    ],
  },
  {
    id: 'l13',
    proven: false,
    makers: 2,
    places: 6,
    stapling: 4,
    days: 40,
    firstWeekday: 1,
    saturday: false,
    closed: [4],
    tardinessFirst: [18, 335],
    makespanFirst: [335, null],
    jobs: [
      [0, 164, 'A2 P21 A2 A4'],
      [0, 356, 'A6 P21 S5 A3 P16'],
      [0, 164, 'A2 S7 A2'],
      [0, 356, 'A5 P14 S8'],
      [0, 548, 'A3 P17 A4 P30'],
      [0, 356, 'A2 S4 A1 P25'],
      [0, 164, 'A3 P13 A1 A3'],
      [0, 164, 'A6 P18 S4 A1 P16'],
      [0, 548, 'A1 S7 A2'],
      [0, 164, 'A4 P17 S8'],
      [0, 356, 'A3 P23 A4 P33'],
      [0, 452, 'A4 S4 A5 P22'],
      [0, 452, 'A5 P21 A4 A1'],
      [0, 356, 'A5 P20 S5 A5 P18'],
      [0, 260, 'A3 S7 A2'],
      [0, 548, 'A2 P16 S7'],
      [0, 548, 'A5 P15 A4 P37'],
      [192, 260, 'A3 S7 A4 P30'],
    ],
  },
  {
    id: 'l14',
    proven: false,
    makers: 3,
    places: 8,
    stapling: 6,
    days: 40,
    firstWeekday: 1,
    saturday: false,
    closed: [4],
    tardinessFirst: [40, 329],
    makespanFirst: [326, null],
    jobs: [
      [0, 356, 'A5 S8 A3 P22'],
      [0, 164, 'A3 P15 A3 A2'],
      [0, 260, 'A4 P20 S5 A2 P23'],
      [0, 548, 'A2 S4 A2'],
      [0, 164, 'A2 P20 S6'],
      [0, 452, 'A3 P20 A5 P30'],
      [0, 548, 'A1 S4 A2 P30'],
      [0, 356, 'A2 P12 A4 A2'],
      [0, 164, 'A6 P21 S7 A4 P23'],
      [96, 452, 'A5 S8 A1'],
      [0, 164, 'A3 P23 S8'],
      [0, 164, 'A1 P22 A1 P35'],
      [0, 452, 'A2 S5 A5 P30'],
      [0, 164, 'A1 P19 A3 A4'],
      [0, 164, 'A6 P13 S4 A2 P24'],
      [0, 356, 'A2 S8 A2'],
      [96, 260, 'A6 P22 S5'],
      [0, 164, 'A1 P16 A1 P33'],
      [0, 548, 'A3 S8 A5 P27'],
      [0, 356, 'A2 P23 A2 A1'],
      [96, 164, 'A2 P23 S5 A2 P16'],
      [0, 164, 'A3 S4 A3'],
      [0, 164, 'A4 P17 S7'],
      [192, 260, 'A3 P13 A1 P37'],
      [0, 548, 'A5 S6 A5 P25'],
      [0, 548, 'A5 P16 A2 A5'],
    ],
  },
];

/** Makers that are alike, one kind of place, one limit for all hands. */
export function shopOf({
  makers,
  places,
  stapling,
  days,
  firstWeekday,
  saturday,
  closed,
  jobs,
}: Omit<ScheduleCase, 'id' | 'proven' | 'tardinessFirst' | 'makespanFirst'>): Shop {
  const week: OpenWindow[][] = [[], DAY, DAY, DAY, DAY, DAY, saturday ? [[36, 48]] : []];
  return {
    makers: Array.from({ length: makers }, (_, index) => ({
      id: `M${index + 1}`,
      calendar: { firstWeekday, week, closedDays: closed },
      leaves: [],
      hand: 0,
    })),
    hands: [stapling],
    places: [{ id: 'rack', count: places }],
    horizonDays: days,
    together: 96,
    jobs: jobs.map(([release, due], index) => ({ id: `J${index + 1}`, release, due })),
    tasks: jobs.flatMap(([, , chain], index) =>
      chain
        .split(' ')
        .map((code, place): ShopTask => ({
          id: `J${index + 1}.${place + 1}`,
          job: `J${index + 1}`,
          name: code,
          kind: code.startsWith('P') ? 'passive' : 'active',
          duration: Number(code.slice(1)),
          after: place === 0 ? [] : [`J${index + 1}.${place}`],
          places: code.startsWith('P') ? [0] : [],
          strain: code.startsWith('S') ? 1 : 0,
        })),
    ),
  };
}

/** One maker, one place, nine days from a Monday. */
export const FEW = { makers: 1, places: 1, stapling: 1, days: 9, firstWeekday: 1, saturday: false, closed: [] };
