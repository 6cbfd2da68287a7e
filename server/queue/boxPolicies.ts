import { isSame } from '../../core/isSame.ts'
import type { BoxPolicy, QueuePolicy } from '../../core/queue/policy.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import { asReady } from './keptLine.ts'

/** A box whose policy is kept in force. */
interface Ruled {
  channelId: string
  /** As it was written down when it was put in force; null: the box was never put on air. */
  policy: BoxPolicy | null
  runtime: {
    policy: QueuePolicy
    takePolicy: (policy: QueuePolicy) => void
    takeScene: (scene: string | null) => void
  }
}

interface PolicyDependencies {
  onAir: Pick<OnAirCache, 'read' | 'listen'>
  /** What the studio of a channel shows; null where none says. */
  sceneOf: (channelId: string) => Promise<string | null>
  boxes: () => Iterable<[boxId: string, box: Ruled]>
  noteTrouble: (error: unknown) => boolean
}

/** The studio is asked so often where nobody here hears what it says, and only where a policy depends on it. */
const sceneEveryMs = 1_000

/** Keeps the policies of the boxes in force that a process carries out: as they are on air, and by what the studio shows. */
export class BoxPolicies {
  private readonly looking: ReturnType<typeof setInterval>

  constructor(private readonly deps: PolicyDependencies) {
    const { noteTrouble } = deps
    deps.onAir.listen((channelId) => void this.takeChanged(channelId).catch(noteTrouble))
    this.looking = setInterval(() => this.lookAtScenes(), sceneEveryMs)
    this.looking.unref()
  }

  close(): void {
    clearInterval(this.looking)
  }

  /** The policy of a box as it is on air. */
  async onAir(channelId: string, boxId: string): Promise<BoxPolicy | null> {
    const { boxes } = await this.deps.onAir.read(channelId)
    return boxes.find((each) => each.boxId === boxId)?.version?.document.policy ?? null
  }

  /** Something of a channel is not as it was known; null: of all. */
  private async takeChanged(channelId: string | null): Promise<void> {
    for (const [boxId, box] of this.deps.boxes())
      if (channelId === null || box.channelId === channelId) await this.takeOne(boxId, box)
  }

  /** Puts the policy of a box in force as it is on air by now. */
  async take(boxId: string): Promise<void> {
    for (const [id, box] of this.deps.boxes()) if (id === boxId) await this.takeOne(boxId, box)
  }

  private async takeOne(boxId: string, box: Ruled): Promise<void> {
    const policy = await this.onAir(box.channelId, boxId)
    if (isSame(policy, box.policy)) return
    box.policy = policy
    box.runtime.takePolicy(asReady(policy))
    this.lookAtScenes(box.channelId)
  }

  /** The studio may show something else. @param channelId absent: of any channel */
  lookAtScenes(channelId?: string): void {
    for (const [, { channelId: of, runtime }] of this.deps.boxes()) {
      if (channelId !== undefined && of !== channelId) continue
      if (!runtime.policy.quiets.some(({ when }) => when.is === 'scenes')) continue
      void this.deps.sceneOf(of).then((scene) => runtime.takeScene(scene), this.deps.noteTrouble)
    }
  }
}
