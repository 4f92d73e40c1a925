import type { ClaimsTogether, ClaimVerdict, JudgedClaim } from '../scenarios/claims'
import { type Claim, CLAIM_BASES, CLAIM_PERIODS, CLAIM_TAGS } from '../study/claims'
import type { Display } from '../units/display'
import { percentText } from '../units/percent'
import { figureRows } from './year-figure-words'

const ROWS = figureRows(0)

/** What is said of a claim, and what to do about it. */
export const VERDICT_WORDS: Record<ClaimVerdict, { name: string; says: string }> = {
  'of what?': { name: 'Of what?', says: 'A share of nothing named: ask what it is a share of.' },
  'per what?': { name: 'Per what?', says: 'Ask what it comes to over a whole year.' },
  'out of reach': { name: 'Out of reach', says: 'More than the package can save here at all.' },
  optimistic: { name: 'Optimistic', says: 'More than is saved in 9 of 10 samples of this household.' },
  plausible: { name: 'Plausible', says: 'Within the range of this household.' },
  cautious: { name: 'Cautious', says: 'Less than is saved in 9 of 10 samples of this household.' },
  'not judged': { name: 'Not judged', says: 'Work out the range of its package first.' },
}

/** A claim as it was made. @example "Up to 30% of annual cost of hot water per year; source: Fern Energy (hearsay)" */
export const claimText = ({ percent: said, upTo, of, per, who, tag }: Claim): string =>
  `${upTo ? 'Up to ' : ''}${percentText(said / 100)} of ${of ? CLAIM_BASES[of] : '?'} per ${per ? CLAIM_PERIODS[per] : '?'}; source: ${who} (${CLAIM_TAGS[tag]})`

/** What a claim comes to in this house, in sentences, each figure with where it is from. */
export function claimSentences(claim: Claim, judged: JudgedClaim, d: Display): string[] {
  const { figure, claimed, reach, range, verdict } = judged
  const row = ROWS.find((r) => r.key === figure)!
  const write = (x: number) => row.write(d, x)
  return [
    VERDICT_WORDS[verdict].says,
    ...(claimed === null ? [] : [`Claimed: ${write(claimed)} a year.`]),
    ...(range
      ? [`Computed for this household: ${write(range.p10)} to ${write(range.p90)} a year, median ${write(range.p50)}.`]
      : []),
    ...(reach === null ? [] : [`The package reaches ${write(reach)} a year at most.`]),
    ...(claim.upTo && range && claimed
      ? [`A ceiling: expect the median, ${percentText(((claim.percent / 100) * range.p50) / claimed)}.`]
      : []),
  ]
}

export const togetherText = ({ added, compounded }: ClaimsTogether): string =>
  `Together these are ${percentText(compounded)} of the purchased energy, not ${percentText(added)}: each takes its share of what the others leave.`
