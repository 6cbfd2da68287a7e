import { toast } from 'vue-sonner'
import { wordsOf } from '../api/request.ts'

/** Waits for something that may be refused, and says so where it is. @param done said where it is not. @returns whether it was done */
export async function tried(work: Promise<unknown>, done = ''): Promise<boolean> {
  try {
    await work
    if (done) toast.success(done)
    return true
  } catch (error) {
    toast.error(wordsOf(error))
    return false
  }
}
