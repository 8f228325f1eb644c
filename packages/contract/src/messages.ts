import { z } from 'zod'

const kinds: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'an object',
}

/** Sentences for a person where a schema gives none of its own. */
z.config({
  // A page's policy forbids code made from text, so schemas in one and in its workers are not to try it.
  jitless: !('process' in globalThis),
  customError: (issue) => {
    if (issue.code === 'invalid_type') {
      if (issue.input === undefined) return 'This is missing.'
      return `This must be ${kinds[issue.expected] ?? issue.expected}.`
    }
    if (issue.code === 'invalid_value') {
      return `This must be one of: ${issue.values.map((value) => JSON.stringify(value)).join(', ')}.`
    }
    if (issue.code === 'unrecognized_keys') return `Not known here: ${issue.keys.join(', ')}.`
    if (issue.code === 'invalid_union') return 'This is none of the kinds known here.'
    return undefined
  },
})
