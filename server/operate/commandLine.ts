// npm run backup | restore | password | doctor -- …: what whoever runs the server does beside it.
import { parseArgs } from 'node:util'
import { BackupFault } from '../backup/readArchive.ts'
import { backup } from './backup.ts'
import { CommandFault, operatorContext } from './context.ts'
import { doctor } from './doctor.ts'
import { password } from './password.ts'
import { restore } from './restore.ts'

const usage = `npm run backup   -- FILE [--channel ID] [--data DIR]      one file with everything of a channel
npm run restore  -- FILE [--set-aside] [--data DIR]       puts it into an empty server
npm run password -- E-MAIL [--data DIR]                   a link by which somebody sets a new password
npm run doctor   [-- --data DIR]                          looks whether everything is as it has to be
`

const stop = (words: string, code: number): never => {
  process.stderr.write(`${words}\n`)
  return process.exit(code)
}

const [command, ...rest] = process.argv.slice(2)
try {
  const { values, positionals } = parseArgs({
    args: rest,
    allowPositionals: true,
    options: { channel: { type: 'string' }, data: { type: 'string' }, 'set-aside': { type: 'boolean' } },
  })
  const [about] = positionals
  const say = (words: string) => void process.stdout.write(`${words}\n`)
  const context = operatorContext(values.data)
  if (command === 'backup' && about) await backup(context, about, values.channel ?? null, say)
  else if (command === 'restore' && about) await restore(context, about, values['set-aside'] === true, say)
  else if (command === 'password' && about) await password(context, about, say)
  else if (command === 'doctor') process.exitCode = (await doctor(context, say)) ? 0 : 1
  else stop(usage, 2)
} catch (error) {
  if (error instanceof TypeError && 'code' in error) stop(`${error.message}\n\n${usage}`, 2)
  const isPlain = error instanceof CommandFault || error instanceof BackupFault
  stop(isPlain || error instanceof Error ? error.message : 'Something unexpected broke.', 1)
}
process.exit()
