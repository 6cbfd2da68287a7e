import { problemError } from '../system/problemError.ts'
import { useStandIns } from './port.ts'

/** There are no platforms but simulated ones. @throws 409 while these are switched off */
export async function requireStandIns(): Promise<void> {
  const { standInsAnswer } = await useStandIns()
  if (!(await standInsAnswer()))
    throw problemError(
      409,
      'Simulated platforms are switched off on this server. Its owner can switch them on under Triggers, Studio and chat.',
    )
}
