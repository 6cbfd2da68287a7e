import { defineEventHandler } from 'h3'
import { compositionSchema } from '../../http/jsonSchemas.ts'

export default defineEventHandler(() => compositionSchema())
