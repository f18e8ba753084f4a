import { begin } from './begin'

// A script that was late may arrive beside the one that was asked for again: one begins. Both have the rest from one file,
// which parts that come later share with them.
const { dataset } = document.documentElement
const isFirst = dataset.begun !== 'true'
dataset.begun = 'true'
if (isFirst) begin()
