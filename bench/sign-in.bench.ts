// How long a sign-in takes that is refused: for an account that there is and for one that there is not, in turns against one server.
// Whoever measures must not find out who has an account. Beside it the check of a password alone, and none at all.
import { hashPassword, verifyPassword } from '../server/auth/password.ts'
import { TestServer } from '../test/arrange/server.ts'
import { ms, percentile, report, type Measured } from './report.ts'

const tries = Number(process.env.TRIES ?? 60)
const server = await TestServer.start({ THUNDERCREST_DEMO: '1', THUNDERCREST_PROXIES: '127.0.0.1' })
const measured: Measured[] = []
const shares = [0.05, 0.25, 0.5, 0.75, 0.95] as const

function spread(what: string, samples: readonly number[]): void {
  const figures = Object.fromEntries(shares.map((share) => [`p${share * 100}`, ms(percentile(samples, share))]))
  measured.push({ what, figures: { ...figures, tries: samples.length } })
}

try {
  const known = server.demo.accounts[0]?.email ?? ''
  let asked = 0
  async function refused(email: string): Promise<number> {
    asked += 1
    const fromMs = performance.now()
    const answer = await fetch(`${server.url}/api/session`, {
      method: 'POST',
      // Handed on by a proxy, from an address of its own each time: whoever tries too often is refused without a look.
      headers: { 'content-type': 'application/json', 'x-forwarded-for': `203.0.113.${asked % 250}` },
      body: JSON.stringify({ email, password: `not the password ${asked}` }),
    })
    await answer.arrayBuffer()
    if (answer.status !== 401) throw new Error(`The server answered ${answer.status}.`)
    return performance.now() - fromMs
  }
  const there: number[] = []
  const nobody: number[] = []
  for (let at = 0; there.length < tries; at++) {
    // In turns, so that whatever else the machine does is the same for both.
    const [first, second] = [await refused(known), await refused(`nobody-${at}@lantern.example`)]
    there.push(first)
    nobody.push(second)
  }
  spread('an account that there is, wrong password', there)
  spread('an account that there is not', nobody)
  const hash = await hashPassword('ten letters and more')
  const alone: number[] = []
  for (let at = 0; at < 20; at++) {
    const fromMs = performance.now()
    await verifyPassword('something else', hash)
    alone.push(performance.now() - fromMs)
  }
  spread('peer: the check of a password alone', alone)
  const apart = Math.abs(percentile(there, 0.5) - percentile(nobody, 0.5))
  const within = percentile(nobody, 0.75) - percentile(nobody, 0.25)
  report('sign-in', measured, [
    `The medians are ${ms(apart)} apart; half of the tries of one of them differ by ${ms(within)}.`,
  ])
} finally {
  await server.remove()
}
process.exit(0)
