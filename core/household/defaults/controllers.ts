import type { Controller } from '../../study/controllers'

/** Controllers as they are met, of no make: what each can hold, to begin with. What was read on the box goes before it. */
export const CONTROLLER_KINDS = [
  {
    name: 'Two-period timer',
    says: '2 periods a day, the same every day, steps of 30 min',
    like: {
      panel: 'on the appliance',
      grid: { stepMin: 30, periodsPerDay: 2, days: 'same' },
      unused: 'start equals end',
      timeoutS: 30,
    },
  },
  {
    name: 'Weekday programmer',
    says: '3 periods, Mon–Fri, Sat and Sun apart, steps of 10 min',
    like: {
      panel: 'on the wall',
      grid: { stepMin: 10, periodsPerDay: 3, days: 'work-sat-sun' },
      unused: 'empty',
      timeoutS: 60,
    },
  },
  {
    name: 'Seven-day programmer',
    says: '4 periods, each day apart, steps of 15 min',
    like: {
      panel: 'on the wall',
      grid: { stepMin: 15, periodsPerDay: 4, days: 'each' },
      unused: 'empty',
      timeoutS: 60,
    },
  },
  {
    name: 'Room control with app',
    says: '6 periods, each day apart, steps of 10 min',
    like: {
      panel: 'panel and app',
      grid: { stepMin: 10, periodsPerDay: 6, days: 'each' },
      unused: 'empty',
      timeoutS: 120,
    },
  },
  {
    name: 'Plug-in timer',
    says: '12 periods, the same every day, pins of 15 min',
    like: {
      panel: 'plug-in timer',
      grid: { stepMin: 15, periodsPerDay: 12, days: 'same' },
      unused: 'empty',
      timeoutS: null,
    },
  },
] as const satisfies readonly { name: string; says: string; like: Partial<Controller> }[]
