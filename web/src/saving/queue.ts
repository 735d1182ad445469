import type { Project } from '@hilera/core/model/project'
import { isLong } from '@hilera/core/model/innerPatches'
import { type Patch, patchesBetween } from '@hilera/core/model/patches'
import equal from 'fast-deep-equal'
import { saidBy } from '../faults'
import { Away } from './away'

/** Brings changes of a document to where it is kept. */
export interface Target {
  /**
   * @param document what the patches lead to
   * @throws `Conflict` where the stored revision is another one, `Away` where nobody answers, anything else where it is refused
   */
  send(
    id: string,
    revision: number,
    patches: readonly Patch[],
    document: Project,
  ): Promise<{ readonly revision: number }>
  read(id: string): Promise<{ readonly revision: number; readonly document: Project }>
}

/** Where what has not been sent waits, so that closing the page loses nothing; what is heavy waits there once it could not be sent. */
export interface Shelf {
  keep(id: string, unsent: Unsent): Promise<void>
  clear(id: string): Promise<void>
}

/** A document with changes that have not been sent, and the revision that they were made on. */
export interface Unsent {
  readonly revision: number
  readonly document: Project
  /** What was under way when it was kept: it may have arrived although nobody heard of it. */
  readonly underWay?: Project
}

/** What is stored was changed by somebody else. */
export class Conflict extends Error {}

/**
 * - `saved`: what is here is what is stored
 * - `waiting`: something is here that is not stored; it is sent in a moment
 * - `sending`: it is under way
 * - `away`: nobody answers, or it cannot be stored just now; it is sent again in a while
 * - `conflict`: something else was stored meanwhile; a person has to choose
 * - `refused`: it cannot be stored as it is; the next change is tried again
 */
export type SaveState = 'saved' | 'waiting' | 'sending' | 'away' | 'conflict' | 'refused'

/** In milliseconds: changes that come in this time go together; so long after nobody answered it is tried again. */
const TOGETHER = 500
const AGAIN = 3000

/** Putting a list of more entries than this on the shelf holds the page for a tenth of a second and more: it is sent instead. */
const HEAVY = 20_000

/** Whether a document is what came from where it is kept: there a field without a value is none. */
export const isSame = (own: Project, stored: Project): boolean => equal(JSON.parse(JSON.stringify(own)), stored)

/**
 * Saves one project. It is offered whole states of the document, keeps the latest and sends what leads there from the one that is
 * stored, one request at a time. A queue outlives the page that shows its project: what it holds goes to its own project.
 */
export class SaveQueue {
  state: SaveState = 'saved'
  /** Why it was refused, or waits. */
  detail = ''
  private latest: Project
  private timer: ReturnType<typeof setTimeout> | undefined
  private underWay: Project | undefined
  /** What is on the shelf. */
  private shelved: Unsent | undefined

  /**
   * @param stored the document as it is stored
   * @param changed called whenever the state has changed
   */
  constructor(
    readonly id: string,
    private revision: number,
    private stored: Project,
    private readonly target: Target,
    private readonly shelf: Shelf,
    private readonly changed: () => void = () => {},
  ) {
    this.latest = stored
  }

  /** Takes a state of the document to be saved. */
  async offer(document: Project): Promise<void> {
    if (document === this.latest) return
    this.latest = document
    if (['saved', 'refused'].includes(this.state)) this.wait()
    if (!['waiting', 'sending'].includes(this.state) || !isLong(document, HEAVY)) await this.keepLatest()
  }

  /**
   * Takes up what was kept unsent. A newer stored revision is a conflict, for neither may be lost; unless it is the very change that
   * was under way when the page was left. That may also arrive only now.
   */
  async resume(unsent: Unsent): Promise<void> {
    const { underWay } = unsent
    const hasArrived = underWay && isSame(underWay, this.stored)
    if (hasArrived || unsent.revision === this.revision) {
      this.underWay = hasArrived ? undefined : underWay
      return this.offer(unsent.document)
    }
    this.latest = unsent.document
    this.enter('conflict')
  }

  /** Sends at once what waits, as when the page is left or the connection is back. */
  flush(): Promise<void> {
    return this.state === 'waiting' || this.state === 'away' ? this.send() : Promise.resolve()
  }

  /** After a conflict: what is here is written over what was stored. */
  async keepMine(): Promise<void> {
    const { revision, document } = await this.target.read(this.id)
    this.revision = revision
    this.stored = document
    await this.keepLatest()
    await this.send()
  }

  /** Lets go of what is here. */
  async drop(): Promise<void> {
    clearTimeout(this.timer)
    this.latest = this.stored
    this.enter('saved')
    await this.clearShelf()
  }

  /** What is here, stored or not. */
  get mine(): Project {
    return this.latest
  }

  private enter(state: SaveState, detail = ''): void {
    this.state = state
    this.detail = detail
    this.changed()
  }

  private wait(state: 'waiting' | 'away' = 'waiting', detail = ''): void {
    this.enter(state, detail)
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.send(), state === 'away' ? AGAIN : TOGETHER)
  }

  private async send(): Promise<void> {
    clearTimeout(this.timer)
    const [document, unheardOf] = [this.latest, this.underWay]
    this.underWay = document
    this.enter('sending')
    try {
      const patches = patchesBetween(this.stored, document)
      if (patches.length > 0)
        this.revision = (await this.target.send(this.id, this.revision, patches, document)).revision
      this.stored = document
      this.underWay = undefined
    } catch (fault) {
      if (fault instanceof Conflict && (await this.goOnFromOwn(unheardOf, document))) return this.send()
      // Where nobody answers it may have arrived all the same.
      if (fault instanceof Away) this.wait('away', fault.message)
      else {
        this.underWay = undefined
        if (fault instanceof Conflict) this.enter('conflict')
        else this.enter('refused', saidBy(fault))
      }
      return this.keepLatest()
    }
    if (this.latest === document) {
      this.enter('saved')
      await this.clearShelf()
    } else {
      this.wait()
      if (!isLong(this.latest, HEAVY)) await this.keepLatest()
    }
  }

  /** Whether one of these is what is stored now: then it arrived without an answer, and it is gone on from. */
  private async goOnFromOwn(...sent: readonly (Project | undefined)[]): Promise<boolean> {
    this.underWay = undefined
    const there = await this.target.read(this.id).catch(() => undefined)
    const arrived = there && sent.find((own) => own && isSame(own, there.document))
    if (!arrived) return false
    this.revision = there.revision
    this.stored = arrived
    return true
  }

  /** Puts what is here on the shelf, once: it is tried to send it again and again. */
  private async keepLatest(): Promise<void> {
    const { revision, latest: document, shelved, underWay } = this
    if (shelved?.revision === revision && shelved.document === document) return
    this.shelved = { revision, document, ...(underWay && underWay !== document && { underWay }) }
    await this.shelf.keep(this.id, this.shelved)
  }

  private clearShelf(): Promise<void> {
    this.shelved = undefined
    return this.shelf.clear(this.id)
  }
}
