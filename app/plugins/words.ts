import { useStudy } from '~/stores/study'
import { wordsOf } from '~~/core/study/words-of'

/**
 * Gives every template `$w`, which the build puts round all that is text in it (see scripts/words.ts): what is said of a study is
 * said in the words of its units.
 */
export default defineNuxtPlugin((app) => {
  const table = useStudy()
  const us = computed(() => table.spoken?.units === 'us')
  app.vueApp.config.globalProperties.$w = (said: unknown) =>
    us.value && typeof said === 'string' ? wordsOf(table.spoken!)(said) : said
})
