import { defineEventHandler, getRequestURL } from 'h3'
import { openApi } from '../http/openApi.ts'

export default defineEventHandler((event) => openApi(getRequestURL(event).origin))
