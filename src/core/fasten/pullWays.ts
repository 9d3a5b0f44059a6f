/* How hard each pull of an order is: by what makers teach, or worked out on the simulated cloth. */
export const PULL_WAYS = [
  {
    id: 'taught',
    name: 'As taught',
    suits: 'a hand that goes by feel: snug first, firmer towards the corners',
    trades: 'friction and plastic give are in it, as makers met them; the first fasteners end with little or nothing',
  },
  {
    id: 'worked',
    name: 'Worked out',
    suits: 'a hand that was tried on the scale: the first answers firmly, the ends gently',
    trades: 'the simulated cloth has no friction and does not give for good; it says the opposite of what is taught',
  },
] as const;
export type PullWayId = (typeof PULL_WAYS)[number]['id'];
