/* What is counted along the route: refill, look, other hand, minutes left. */
import { printed } from '@/core/quantities/printed';
import type { RouteCounts } from '@/core/bench/routeCounts';

interface RouteLineProps {
  counts: RouteCounts;
  onFilled: () => void;
}

export function RouteLine({ counts: { toRefill, toLook, toOtherHand, minutesLeft }, onFilled }: RouteLineProps) {
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1 text-lg" data-testid="route-counts">
      {toLook !== null && <Count name="look in" value={toLook} />}
      {toRefill !== null && (
        <button type="button" className="btn btn-outline h-[56px] text-lg font-normal" onClick={onFilled} title="Filled just now">
          refill in <strong className="figure">{toRefill}</strong>
        </button>
      )}
      {toOtherHand !== null && <Count name="other hand in" value={toOtherHand} />}
      <span>
        about <strong className="figure">{printed('handTime', Math.max(1, minutesLeft))}</strong> left
      </span>
    </div>
  );
}

const Count = ({ name, value }: { name: string; value: number }) => (
  <span>
    {name} <strong className="figure">{value}</strong>
  </span>
);
