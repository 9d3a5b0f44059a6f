import type { WeekMarks } from '@/core/week/weekMarks';
import type { WeekPlan } from '@/core/week/weekPlan';
import type { WeekJob, WeekShop } from '@/core/week/weekShop';

/** What the chart of the week and its marks are drawn from. */
export interface WeekChartProps {
  week: WeekShop;
  plan: WeekPlan;
  marks: WeekMarks;
  jobs: ReadonlyMap<string, WeekJob>;
  days: number;
  /** Days after today that the first shown one lies. */
  firstDay: number;
  width: number;
  /** Room there is: lanes grow into it. */
  height: number;
  nowMs: number;
  chosen: string | null;
  onChoose: (task: string | null) => void;
  /** Put down by hand or by keys. */
  onPut: (task: string, maker: string, step: number) => void;
}
