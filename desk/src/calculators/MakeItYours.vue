<script setup lang="ts">
import { computed } from 'vue'
import { ownThingsOf, settled, stillToMakeOwn, type CalculatorDocument, type OwnThing } from '@vivid/core'
import { useDraft } from './draft/draft-store'
import { useTape } from './draft/tape-store'
import { ownPlace, ownSaid, ownWords } from './own-words'

/** What of a starter the lender still makes its own: each ticks itself off once it is changed, or said to be right. */
const { document } = defineProps<{ document: CalculatorDocument }>()
const draft = useDraft()
const tape = useTape()

const open = computed(() => stillToMakeOwn(document))
const done = computed(() => ownThingsOf(document).filter((thing) => !open.value.includes(thing)))
const settle = (things: readonly OwnThing[]) => draft.change(settled(document, things))
const goTo = (thing: OwnThing) => void tape.goTo(...ownPlace(thing, document))
</script>

<template>
  <section v-if="open.length" class="yours" aria-labelledby="make-it-yours">
    <div class="head">
      <h3 id="make-it-yours">Make it yours</h3>
      <span class="soft">{{ done.length }} of {{ done.length + open.length }} done</span>
      <button type="button" class="link" @click="settle(open)">All of it is right</button>
    </div>
    <ul>
      <li v-for="thing in open" :key="thing">
        <button type="button" class="link" @click="goTo(thing)">{{ ownWords[thing] }}</button>
        <span class="soft said">{{ ownSaid(thing, document) }}</span>
        <button
          type="button"
          class="right"
          :aria-label="`${ownWords[thing]}: right as it is`"
          @click="settle([thing])"
        >
          right as it is
        </button>
      </li>
      <li v-for="thing in done" :key="thing" class="done">
        <span aria-hidden="true">✓</span> {{ ownWords[thing] }}
        <span class="soft said">{{ ownSaid(thing, document) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.yours {
  margin: 12px 22px 0;
  padding: 10px 14px 12px;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--card);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.head .link {
  margin-left: auto;
  font-weight: 400;
}
h3 {
  font: 700 15px var(--text);
}
ul {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 3px 0;
}
.said {
  flex: 1;
  min-width: 0;
}
.done {
  color: var(--leaf);
}
.right {
  padding: 1px 9px;
  border: 1px solid var(--control-line);
  border-radius: 12px;
  background: none;
  color: var(--ink);
  font-size: 13px;
  white-space: nowrap;
  cursor: pointer;
}
</style>
