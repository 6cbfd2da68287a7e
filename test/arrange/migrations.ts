export { readMigrations } from '../../server/operate/readMigrations.ts'
