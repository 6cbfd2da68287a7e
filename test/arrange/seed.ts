import fc from 'fast-check'

/**
 * Properties look at new values on every local run. Where a change is judged, everybody's run sees the same ones: a red
 * run then speaks of the change, not of the day.
 */
if (process.env['CI']) fc.configureGlobal({ seed: 20_261_125 })
