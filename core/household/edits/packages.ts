import { edited } from '../../study/edited'
import type { Study } from '../../study/study'

/** A household without a package; what somebody claims of it is about none. */
export const withoutPackage = (study: Study, id: string): Study =>
  edited(study, (s) => {
    s.packages = s.packages.filter((p) => p.id !== id)
    for (const claim of s.claims) if (claim.packageId === id) claim.packageId = null
  })
