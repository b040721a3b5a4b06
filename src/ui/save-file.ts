/** Has the browser save what the server sent. */
export const saveFile = (content: Blob, name: string): void => {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}

const UNREACHABLE = 'The server does not answer. Try again when it is back.'

/** Fetches a file and has it saved. @returns what went wrong, empty where nothing did */
export const fetchFile = async (address: string, name: string, init?: RequestInit): Promise<string> => {
  try {
    const response = await fetch(address, init)
    if (!response.ok) return ((await response.json()) as { detail?: string }).detail ?? UNREACHABLE
    saveFile(await response.blob(), name)
    return ''
  } catch {
    return UNREACHABLE
  }
}
