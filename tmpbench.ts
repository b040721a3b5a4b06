import { benchControls } from './scripts/bench/controls'
await benchControls()
