/** An RFC 9457 problem document. `issues` has the paths of what did not validate. */
export interface Problem {
  type: string
  title: string
  status: number
  detail: string
  issues?: { path: string; message: string }[]
}
