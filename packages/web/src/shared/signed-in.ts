import { mayAsk } from '@seriatim/contract'
import { useEffect } from 'react'
import { useMe } from './api/index.ts'
import { forgetAll } from './kept/index.ts'
import { storeWord, useStoredWord } from './stored-word.ts'

/** Under it this device remembers that somebody signed in here and did not sign out. */
export const signedInKey = 'seriatim.signed-in'

/** Under it pages of this browser tell each other that the sign-in leads to another studio now. */
const studioKey = 'seriatim.studio'

/** Every other page of this browser goes there too: what it shows is of the studio that was left. */
export function sayStudioChosen(id: string): void {
  storeWord(studioKey, id)
}

interface Doorway {
  /** Somebody has to sign in before the server answers. */
  readonly isShut: boolean
  /** Somebody had signed in here: what the device keeps is theirs to see meanwhile. */
  readonly wasIn: boolean
  /** Somebody is in, through a door. */
  readonly isIn: boolean
}

/** Whether clients, prices and promises are this person's business: everybody's at a desk without a door. */
export function useManages(): boolean {
  const me = useMe()
  return me !== undefined && (!me.door || (me.member !== null && mayAsk(me.member.role, 'manager')))
}

export function useDoorway(): Doorway {
  const me = useMe()
  const wasIn = useStoredWord(signedInKey) === 'yes'
  const isIn = me?.door === true && me.member !== null
  useEffect(() => {
    if (isIn && !wasIn) storeWord(signedInKey, 'yes')
  }, [isIn, wasIn])
  useEffect(() => {
    const follow = ({ key, newValue }: StorageEvent) => {
      if (key === studioKey && newValue !== null) window.location.assign('/')
      // Signed out on another page of this browser: nothing stays to be read on this one.
      if (key === signedInKey && newValue === '') void forgetAll().finally(() => window.location.assign('/'))
    }
    window.addEventListener('storage', follow)
    return () => window.removeEventListener('storage', follow)
  }, [])
  const isShut = me?.door === true && me.member === null
  const isStranger = isShut && !wasIn
  useEffect(() => {
    // What a page wrote down while it was being left goes as well.
    if (isStranger) void forgetAll()
  }, [isStranger])
  return { isShut, wasIn, isIn }
}
