import { defineEventHandler, setResponseHeader } from 'h3'
import { isOperator } from '../auth/operator.ts'
import { callerOf } from '../http/caller.ts'
import { problemError } from '../system/problemError.ts'
import { useRuntime } from '../system/runtimePort.ts'

/** Prometheus text: for a collector on the same machine, or one that shows the operator's token. */
export default defineEventHandler(async (event) => {
  if (!callerOf(event).isOfThisMachine && !(await isOperator(event)))
    throw problemError(401, 'Send the operator’s token as a bearer token: npm run doctor says where it is.')
  const { metrics } = await useRuntime()
  setResponseHeader(event, 'content-type', metrics.registry.contentType)
  return metrics.registry.metrics()
})
