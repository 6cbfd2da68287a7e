import { defineConfig } from 'drizzle-kit'

export default defineConfig({
  dialect: 'postgresql',
  schema: [
    './server/db/schema.ts',
    './server/db/peopleSchema.ts',
    './server/db/liveSchema.ts',
    './server/db/triggerSchema.ts',
    './server/db/goalSchema.ts',
    './server/db/tipSchema.ts',
    './server/db/sponsorSchema.ts',
    './server/db/broadcastSchema.ts',
  ],
  out: './server/db/migrations',
})
