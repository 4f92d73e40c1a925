import {
  sankey,
  type SankeyGraph,
  sankeyJustify,
  type SankeyLink,
  sankeyLinkHorizontal,
  type SankeyNode,
} from 'd3-sankey'
import { heatFlow, type HeatLink, type HeatNode } from '../year/account/heat-flow'
import { cameInKwh } from '../year/account/where-it-goes'
import type { YearResult } from '../year/result'

export type BandNode = SankeyNode<HeatNode, HeatLink>
export type BandLink = SankeyLink<HeatNode, HeatLink>

/** Height of the bands of the larger of two years, and room between two ends for their two lines of text, px. */
const BANDS = 230
const GAP = 34

/**
 * The ledger of a year as bands as wide as their heat, laid out to a width.
 * @param scaleTo the year whose bands are full height; @param labels room to the right of the last ends; widths in px
 */
export function heatBands(
  year: Pick<YearResult, 'energy' | 'pump'>,
  scaleTo: Pick<YearResult, 'energy' | 'pump'>,
  { width, labels }: { width: number; labels: number },
): SankeyGraph<HeatNode, HeatLink> {
  const { nodes, links } = heatFlow(year)
  const size = cameInKwh(year) / Math.max(1, cameInKwh(scaleTo), cameInKwh(year))
  const ends = nodes.filter((n) => n.role === 'lost' || n.role === 'useful').length
  const height = BANDS * size + GAP * (ends - 1)
  return sankey<HeatNode, HeatLink>()
    .nodeId((n) => n.id)
    .nodeAlign(sankeyJustify)
    .nodeSort(null)
    .nodeWidth(10)
    .nodePadding(GAP)
    .extent([
      [2, 14],
      [width - labels, 14 + height],
    ])({
    nodes: nodes.map((n) => ({ ...n })),
    links: links.map((l) => ({ ...l, source: l.from, target: l.to, value: l.kwh })),
  })
}

/** The way of a band, as the data of an SVG path. */
export const bandPath = sankeyLinkHorizontal<BandNode, BandLink>()
/** A band is of the kind of what it ends in. */
export const bandRole = (l: BandLink): HeatNode['role'] => (l.target as BandNode).role
/** Nothing leaves it. */
export const isEnd = (n: BandNode) => (n.sourceLinks?.length ?? 0) === 0
