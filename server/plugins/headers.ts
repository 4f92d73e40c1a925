import { policyFor } from '../utils/headers'

/** Pages carry the policy that names the scripts in them; no answer says what it was made with. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response) => {
    response.headers = {
      ...response.headers,
      'content-security-policy': policyFor(String(response.body)),
      'cache-control': 'no-cache',
    }
    delete response.headers['x-powered-by']
  })
})
