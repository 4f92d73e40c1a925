import { type Outlook, USUAL_OUTLOOK } from '../household/outlook'
import type { Economics } from '../study/economics'
import type { Display } from '../units/display'
import { percentText } from '../units/percent'
import type { Appraisal } from './appraisal'
import { costText } from './payback-words'

/** A rate that is kept in percent. */
const percent = (x: number) => percentText(x / 100, 2)

/** What a package is worth, figure by figure: its name and how it is written. */
export function appraisalRows(a: Appraisal, write: Display): [name: string, text: string][] {
  const { low, likely, high } = a.netPresentValue
  const perKwh = (money: number) => write.value({ unit: 'money/kWh', decimals: 3 }, money)
  return [
    ...(a.grants > 0
      ? [
          ['Grants', write.money(a.grants)] as [string, string],
          ['Cost less grants', costText(a.netCost, write)] as [string, string],
        ]
      : []),
    [
      `Net present value, ${a.outlook.years} years`,
      low === high
        ? write.moneyChange(likely)
        : `${write.moneyChange(likely)} (${write.money(low)} to ${write.money(high)})`,
    ],
    ['Cost a year over its service life', write.money(a.aYear)],
    ...(a.perSavedKwh === null ? [] : [['Cost of saved energy', perKwh(a.perSavedKwh)] as [string, string]]),
    ...(a.perMinute === null
      ? []
      : [
          ['Cost of a minute not waited', write.value({ unit: 'money', decimals: 2 }, a.perMinute)] as [string, string],
        ]),
  ]
}

/** What was taken for that where nobody has said it, in sentences. */
export function appraisalAssumes(a: Appraisal, economics: Economics): string[] {
  const { outlook } = a
  const rate = (x: number, said: number | null) => `${percent(x)} a year${said === null ? ' (usual)' : ''}`
  const list = (names: readonly string[]) => names.join(', ')
  return [
    `Discount rate ${rate(outlook.discountPercent, economics.discountPercent)}, energy and water dearer by ${rate(outlook.growthPercent, economics.growthPercent)}, ${outlook.years} years${economics.years === null ? ' (usual)' : ''}.`,
    'Replaced at the end of its service life; what is left of the last one counts by its share.',
    ...(a.usualLife.length ? [`Usual service life assumed: ${list(a.usualLife)}.`] : []),
    ...(a.upkeepNotAsked.length ? [`Upkeep not entered, none counted: ${list(a.upkeepNotAsked)}.`] : []),
  ]
}

/** What the rates are taken for while their fields are empty. */
export const usualOutlookText = (key: keyof Outlook): string =>
  key === 'years' ? `${USUAL_OUTLOOK.years} years` : percent(USUAL_OUTLOOK[key])
