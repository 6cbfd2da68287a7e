import { defineEventHandler } from 'h3'

export default defineEventHandler(() => ({ status: 'alive' }))
