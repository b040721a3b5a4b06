import type { Judgement, Reason } from '@/core/evidence/trial'
import { GOOD_AGREEMENT, type Remark } from '@/core/evidence/verdict'

/** What happened, as it is tapped and told. */
export const REASON_WORDS: Readonly<Record<Reason, string>> = {
  'in-front': 'took what was in front',
  'stayed-behind': 'stayed behind',
  'lost-it': 'lost it',
  'too-late': 'too late',
  slipped: 'hand slipped off',
}

export const JUDGEMENT_WORDS: Readonly<Record<Judgement, string>> = { sharp: 'Sharp', soft: 'Soft', missed: 'Missed' }

const ofHundred = ({ kept, of }: { readonly kept: number; readonly of: number }): string =>
  `${Math.round((100 * kept) / of)} of 100`

const blockWords = (blocks: readonly number[]): string =>
  `${blocks.length === 1 ? 'Block' : 'Blocks'} ${blocks.map(b => b + 1).join(', ')}`

/** What is to be known before a trial is believed, in words. */
export const remarkWords = (remark: Remark): string => {
  switch (remark.kind) {
    case 'nothing':
      return 'Nothing has been counted yet.'
    case 'unfinished':
      return `${remark.counted} of ${remark.of} passes are counted: what is said may still turn.`
    case 'unbalanced':
      return `${remark.least} has far fewer passes than ${remark.most}: count on, or the answer hangs on who came when.`
    case 'broken':
      return `${blockWords(remark.blocks)} broken off: nothing of it is used.`
    case 'light':
      return `${blockWords(remark.blocks)} had other light: look whether the answer hangs on it.`
    case 'order':
      return `${remark.way} kept ${ofHundred(remark.first)} in its first blocks and ${ofHundred(remark.later)} later: practice, tiredness or what came before may count more than the way.`
    case 'all-kept':
      return 'Every pass was sharp: a harder situation would tell the ways apart.'
    case 'counters':
      return remark.kappa === undefined
        ? `${remark.first} and ${remark.second} counted ${remark.passes} passes alike, all with one judgement: how far they agree cannot be said.`
        : `${remark.first} and ${remark.second} counted ${remark.passes} of the same passes; they agree ${remark.kappa >= GOOD_AGREEMENT ? 'well' : 'too little: settle what sharp means, and count again'} (kappa ${remark.kappa.toFixed(2)}). The counts of ${remark.first} are used.`
  }
}
