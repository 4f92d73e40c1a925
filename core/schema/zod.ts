import { z } from 'zod'

// Compiled parsers are made by eval, which a strict page forbids; on studies they are no quicker.
z.config({ jitless: true })

export { z }
