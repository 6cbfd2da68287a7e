import { defineEventHandler } from 'h3'
import { packSchema } from '../../http/jsonSchemas.ts'

export default defineEventHandler(() => packSchema())
