import type { ZodError } from 'zod'
import type { Problem } from './problem.ts'

const issuesMost = 20

/** What did not fit, with paths, for the `issues` of a problem document. At most 20. @param before stands in front of each path */
export const issuesOf = ({ issues }: ZodError, before = ''): NonNullable<Problem['issues']> =>
  issues.slice(0, issuesMost).map(({ path, message }) => ({ path: before + path.map(String).join('.'), message }))
