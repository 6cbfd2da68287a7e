import { defineEventHandler, getRequestIP, setResponseHeader } from 'h3'
import { readApiKey, readSession } from '../auth/access.ts'
import { problemError } from '../system/problemError.ts'
import { useServices } from '../system/services.ts'

/** Prometheus text: for a collector on the same machine, or whoever shows an API key or is signed in. */
export default defineEventHandler(async (event) => {
  const isLocal = ['127.0.0.1', '::1', '::ffff:127.0.0.1'].includes(getRequestIP(event) ?? '')
  if (!isLocal && !(await readApiKey(event)) && !(await readSession(event)))
    throw problemError(401, 'Send an API key as a bearer token.')
  const { metrics } = await useServices()
  setResponseHeader(event, 'content-type', metrics.registry.contentType)
  return metrics.registry.metrics()
})
