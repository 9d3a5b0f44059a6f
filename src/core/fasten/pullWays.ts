/* How hard each pull of an order is: by what makers teach, or worked out on the simulated cloth. */
export const PULL_WAYS = [
  {
    id: 'taught',
    name: 'As taught',
    suits: 'a hand that goes by feel: snug first, firmer outwards',
    trades: 'Friction and lasting give are in it as makers met them; the first fasteners end with little',
  },
  {
    id: 'worked',
    name: 'Worked out',
    suits: 'a hand tried on the scale: firm answers first, gentle ends',
    trades: 'The simulated cloth knows no friction and no lasting give; it says the opposite of what is taught',
  },
] as const;
export type PullWayId = (typeof PULL_WAYS)[number]['id'];
