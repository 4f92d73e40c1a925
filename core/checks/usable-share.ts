/** Of a store that is as hot as it is set, this share can be drawn before it runs cool: cold water mixes in below. */
export const USABLE_SHARE = 0.75
