import { z } from 'zod'

// The page's policy forbids code made from text, so the schemas are not to try it.
z.config({ jitless: true })
