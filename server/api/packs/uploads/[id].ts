import { defineEventHandler } from 'h3'
import { answerUpload } from '../../../media/answerUpload.ts'

export default defineEventHandler((event) => answerUpload(event, 'packUploads'))
