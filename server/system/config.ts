import * as z from 'zod'

const port = z.coerce.number().int().min(0).max(65_535)
/** 1: with the demo's scenario in an empty database; night: with a whole night behind it, too. */
const demo = z.enum(['0', '1', 'night']).transform((value) => (value === 'night' ? value : value === '1'))

/** Voice services by their names: `chirp=http://127.0.0.1:4410/stand-ins/voice other=…`. */
const voiceAddresses = z
  .string()
  .regex(
    /^\s*(?:[a-z0-9][a-z0-9-]{0,39}=https?:\/\/\S+\s*)*$/,
    'must be names and addresses, e.g. studio=http://127.0.0.1:5002/voice',
  )
  .transform((text) =>
    Object.fromEntries(
      text
        .split(/\s+/)
        .filter((pair) => pair !== '')
        .map((pair) => [pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1)]),
    ),
  )

/** Blank-separated things of one kind. */
const listOf = (one: z.ZodType<string>, words: string) =>
  z
    .string()
    .transform((text) => text.split(/\s+/).filter((each) => each !== ''))
    .refine((list) => list.every((each) => one.safeParse(each).success), words)

const proxyAddress = z.union([z.ipv4(), z.ipv6(), z.cidrv4(), z.cidrv6()])

/** Every variable that an operator may set. Anything wrong stops the start with one clear line. */
const environment = z
  .object({
    PORT: port.default(4410),
    HOST: z.string().min(1).default('127.0.0.1'),
    THUNDERCREST_DATA: z.string().min(1).default('.data'),
    DATABASE_URL: z
      .string()
      .regex(/^postgres(ql)?:\/\//, 'must begin with postgres://')
      .optional(),
    THUNDERCREST_SECRET: z.string().min(32, 'must have at least 32 characters').optional(),
    THUNDERCREST_OPERATOR_TOKEN: z.string().min(20, 'must have at least 20 characters').optional(),
    THUNDERCREST_DEMO: demo.default(false),
    THUNDERCREST_S3_URL: z.url('must be the address of a bucket').optional(),
    THUNDERCREST_S3_REGION: z.string().min(1).default('auto'),
    THUNDERCREST_S3_KEY: z.string().min(1).optional(),
    THUNDERCREST_S3_SECRET: z.string().min(1).optional(),
    THUNDERCREST_ADDRESSES: listOf(
      z.url({ protocol: /^https?$/ }),
      'must be addresses under which this server is reached, e.g. https://alerts.example',
    ).default([]),
    THUNDERCREST_PROXIES: listOf(
      proxyAddress as unknown as z.ZodType<string>,
      'must be addresses of proxies, e.g. 10.0.0.2 or 10.0.0.0/8',
    ).default([]),
    THUNDERCREST_CHANNEL_MEDIA_MB: z.coerce.number().int().min(1).optional(),
    THUNDERCREST_VOICES: voiceAddresses.default({}),
    THUNDERCREST_LOG: z.enum(['debug', 'info', 'warn', 'error', 'silent']).default('info'),
  })
  .refine((env) => !env.THUNDERCREST_S3_URL || (env.THUNDERCREST_S3_KEY && env.THUNDERCREST_S3_SECRET), {
    path: ['THUNDERCREST_S3_URL'],
    message: 'needs THUNDERCREST_S3_KEY and THUNDERCREST_S3_SECRET',
  })
export type Config = z.infer<typeof environment>

/** Reads and checks the environment. @throws Error with one line that names each bad variable, never its value. */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config {
  const set = Object.fromEntries(Object.entries(env).filter(([, value]) => value !== undefined && value !== ''))
  const checked = environment.safeParse(set)
  if (checked.success) return checked.data
  const faults = checked.error.issues.map((issue) => `${issue.path.join('.')} ${issue.message}`)
  throw new Error(`Thundercrest cannot start: ${faults.join('; ')}`)
}
