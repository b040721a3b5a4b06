import { execFileSync } from 'node:child_process'

/** The program of the workers is made of the sources that are tested, whatever was built before. */
const buildWorkers = (): void => {
  execFileSync('npm', ['run', '--silent', 'pool'], { stdio: ['ignore', 'ignore', 'inherit'] })
}

export default buildWorkers
