import type { Known } from '../fold'

/** Whether a setting was known to be at something else. */
export const differs = ({ facts }: Known, setting: string, option: string): boolean => {
  const fact = facts.get(setting)
  return fact !== undefined && fact.option !== option
}
