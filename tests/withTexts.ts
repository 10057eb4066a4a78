import { knowTexts } from '../core/slate/withTexts'

// As on the server: a device that hasn't learnt yet is a test of its own (`lateTexts.test.ts`).
knowTexts()
