import { defineEventHandler } from 'h3'
import { eventSchemas } from '../../http/jsonSchemas.ts'

export default defineEventHandler(() => eventSchemas())
