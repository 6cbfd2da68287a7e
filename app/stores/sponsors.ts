import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { CampaignView, SponsorsView } from '../../contract/sponsors.ts'
import type { Campaign } from '../../core/campaign/schema.ts'
import { request } from '../api/request.ts'
import { documentChanges, type DocumentChanges } from './documentChanges.ts'
import { useLiveStore } from './live.ts'

/** What sponsors want said and what came of it, with a way back for each change. */
export const useSponsorsStore = defineStore('sponsors', () => {
  const kept = shallowRef<SponsorsView | null>(null)
  const live = useLiveStore()

  async function load(): Promise<void> {
    kept.value = await request<SponsorsView>('GET', '/api/sponsors')
  }
  watch(
    () => live.live?.sponsorsRevision,
    () => void (kept.value && changes.take(load).catch(() => undefined)),
  )
  const view = computed<SponsorsView | null>(
    () =>
      kept.value && {
        ...kept.value,
        // Those that are over stand behind the others.
        campaigns: kept.value.campaigns
          .map((each) => ({ ...each, campaign: changes.shown(each.campaign) }))
          .sort((a, b) => Number(a.stands === 'over') - Number(b.stands === 'over')),
      },
  )
  const find = (id: string): CampaignView | null =>
    view.value?.campaigns.find(({ campaign }) => campaign.id === id) ?? null
  const ask = async (method: 'PUT', path: string, body: object): Promise<void> => {
    kept.value = await request<SponsorsView>(method, path, body)
  }

  const changes: DocumentChanges<Campaign> = documentChanges({
    load,
    find: (id) => find(id)?.campaign ?? null,
    async keep(campaign) {
      const { revision } = find(campaign.id) ?? {}
      if (revision !== undefined) await ask('PUT', `/api/sponsors/${campaign.id}`, { campaign, revision })
    },
  })

  return {
    view,
    load,
    find,
    canUndo: changes.canUndo,
    change: changes.change,
    undo: changes.undo,
    create: async (campaign: Omit<Campaign, 'id'>): Promise<string> => {
      const made = await request<{ id: string; view: SponsorsView }>('POST', '/api/sponsors', { campaign })
      kept.value = made.view
      return made.id
    },
    /** Puts a campaign away, or takes it back from there. */
    remove: (id: string, isRemoved: boolean): Promise<void> => ask('PUT', `/api/sponsors/${id}/removed`, { isRemoved }),
  }
})
