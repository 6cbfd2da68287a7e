import { defineEventHandler, setResponseHeader } from 'h3'
import { readApiKey, readSession } from '../auth/access.ts'
import { callerOf } from '../http/caller.ts'
import { problemError } from '../system/problemError.ts'
import { useRuntime } from '../system/runtimePort.ts'

/** Prometheus text: for a collector on the same machine, or whoever shows an API key or is signed in. */
export default defineEventHandler(async (event) => {
  if (!callerOf(event).isOfThisMachine && !(await readApiKey(event)) && !(await readSession(event)))
    throw problemError(401, 'Send an API key as a bearer token.')
  const { metrics } = await useRuntime()
  setResponseHeader(event, 'content-type', metrics.registry.contentType)
  return metrics.registry.metrics()
})
