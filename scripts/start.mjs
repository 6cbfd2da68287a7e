// npm start: the built application with the operator's own data.
import { ensureInstalled } from './install.mjs'

ensureInstalled()
const { ensureBuilt } = await import('./freshBuild.mjs')
ensureBuilt()
const { serve } = await import('./serve.mjs')
await serve({ NODE_ENV: 'production' })
