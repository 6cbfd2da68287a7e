import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'

export interface Metrics {
  registry: Registry
  events: Counter<'outcome'>
  durableWrite: Histogram
  playWait: Histogram
}

/** Prometheus metrics of this server. @param countSources read when the metrics are asked for */
export function createMetrics(countSources: () => number): Metrics {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry })
  new Gauge({
    name: 'thundercrest_sources_connected',
    help: 'Browser sources connected now',
    registers: [registry],
    collect() {
      this.set(countSources())
    },
  })
  const events = new Counter({
    name: 'thundercrest_events_total',
    help: 'Events taken in',
    labelNames: ['outcome'],
    registers: [registry],
  })
  // A rate can only be computed from a counter that is there before the first event.
  for (const outcome of ['accepted', 'repeated', 'rejected']) events.inc({ outcome }, 0)
  return {
    registry,
    events,
    durableWrite: new Histogram({
      name: 'thundercrest_durable_write_seconds',
      help: 'From a checked delivery to its commit',
      buckets: [0.001, 0.002, 0.005, 0.01, 0.025, 0.05, 0.1, 0.5, 2],
      registers: [registry],
    }),
    playWait: new Histogram({
      name: 'thundercrest_play_wait_seconds',
      help: 'From a decision to the start of its play',
      buckets: [0.01, 0.05, 0.1, 0.5, 1, 5, 15, 30, 60, 120, 600],
      registers: [registry],
    }),
  }
}
