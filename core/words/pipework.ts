import type { Term } from './term'

/** Pipes, circulation, outlets and the drain. */
export const PIPEWORK_TERMS = {
  circulation: {
    metric: 'circulation',
    us: 'recirculation',
    help: 'Pumped hot water circuit: shortens time to tap at the outlets it passes.',
    also: ['loop', 'secondary circulation', 'secondary return', 'ring main', 'recirc'],
    at: 'loop',
  },
  flowPipe: {
    metric: 'flow pipe',
    us: 'supply pipe',
    help: 'From the hot connection to the return connection.',
    also: ['way out', 'circulation flow'],
    at: 'loop',
  },
  secondaryReturn: {
    metric: 'secondary return',
    us: 'recirculation return',
    help: 'From the return connection back to heater or cylinder.',
    also: ['return', 'way back', 'the turn'],
    at: 'loop',
  },
  pump: {
    metric: 'circulation pump',
    us: 'recirculation pump',
    help: 'Runs as the circulation mode requires.',
    also: ['bronze pump', 'pump of the loop'],
    at: 'loop',
  },
  traceHeating: {
    metric: 'trace heating',
    us: 'heat trace',
    help: 'Electric cable that holds the flow pipe at temperature.',
    also: ['heating cable', 'heat tape'],
    at: 'modes',
  },
  run: {
    metric: 'pipe run',
    help: 'Length of one material, size and location.',
    also: ['pipe', 'length', 'run of pipe'],
    at: 'runs',
  },
  deadLeg: {
    metric: 'dead leg',
    us: 'twig',
    help: 'Pipe to an outlet that is not circulated: emptied before hot water arrives.',
    also: ['dead run', 'twig', 'branch', 'uncirculated branch'],
    at: 'runs',
  },
  blindEnd: {
    metric: 'blind end',
    us: 'dead end',
    help: 'Pipe that serves no outlet: water stagnates.',
    also: ['stub', 'capped pipe', 'dead end'],
    at: 'findings',
  },
  outlet: {
    metric: 'outlet',
    us: 'fixture',
    help: 'Basin, bath, shower, sink or machine connection.',
    also: ['tap', 'faucet', 'draw-off point', 'shower', 'bath', 'sink'],
    at: 'taps',
  },
  pipeVolume: {
    metric: 'pipe volume',
    help: 'Internal volume of the pipe.',
    also: ['contents', 'water in the pipe'],
    at: 'calculators',
  },
  warmUpVolume: {
    metric: 'warm-up volume',
    help: 'Hot water needed before the pipe runs hot: volume plus pipe wall.',
    also: ['front', 'hot water to fill it'],
    at: 'calculators',
  },
  insulation: {
    metric: 'insulation',
    help: 'Lagging of pipes and cylinder.',
    also: ['lagging', 'jacket', 'foam', 'wrap'],
    at: 'improve',
  },
  wwhr: {
    metric: 'waste water heat recovery',
    us: 'drain-water heat recovery',
    help: 'Preheats cold water with warm waste water.',
    also: ['WWHR', 'DWHR', 'drain unit', 'heat back from the drain'],
    at: 'drain',
  },
} as const satisfies Record<string, Term>
