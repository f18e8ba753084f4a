<script setup lang="ts">
import { Button, Modal } from 'ant-design-vue'
import { onBeforeUnmount, watch } from 'vue'
import { onBeforeRouteLeave, useRoute, useRouter } from 'vue-router'
import type { SheetListed, SheetState } from '@vivid/contract'
import DeskArea from '../shared/page/DeskArea.vue'
import { localToday } from '../shared/time/local-today'
import { useSession } from '../shared/session/session-store'
import SheetEditor from './SheetEditor.vue'
import { useSheets } from './sheets-store'

/** The lender's rate sheets: rates, premiums and fees, with the moment they take effect. */
const route = useRoute()
const router = useRouter()
const session = useSession()
const sheets = useSheets()
void sheets.load(String(route.query.sheet ?? ''))
watch(
  () => sheets.saved?.sheet.id,
  (id) => id !== undefined && void router.replace({ query: { sheet: id } }),
)

const states: Readonly<Record<SheetState, string>> = {
  draft: '○ draft',
  sent: '◔ waits for approval',
  live: '● in force',
  liveWithChanges: '◐ in force, draft differs',
}

/** What was typed is lost only if the person says so. */
function leave(then: () => void): void {
  if (!sheets.sheet || !sheets.isChanged || !session.can('edit')) return then()
  Modal.confirm({
    title: 'Leave what you typed?',
    content: `The draft of “${sheets.sheet.name}” is not saved.`,
    okText: 'Leave it',
    okButtonProps: { danger: true },
    cancelText: 'Stay here',
    onOk: then,
  })
}
const choose = (one: SheetListed) => leave(() => sheets.choose(one))
onBeforeRouteLeave(
  () =>
    new Promise<boolean>((done) => {
      if (!sheets.sheet || !sheets.isChanged || !session.can('edit')) return done(true)
      leave(() => done(true))
    }),
)
const warn = (event: BeforeUnloadEvent) => {
  if (sheets.sheet && sheets.isChanged && session.can('edit')) event.preventDefault()
}
window.addEventListener('beforeunload', warn)
onBeforeUnmount(() => window.removeEventListener('beforeunload', warn))

function addSheet(): void {
  leave(() =>
    sheets.begin({
      id: sheets.idFor('New sheet'),
      name: 'New rate sheet',
      keys: [{ id: 'key', name: 'Length', unit: 'term', match: 'from' }],
      gives: 'percent',
      versions: [{ from: localToday(), rows: [{ keys: ['12'], value: '5' }] }],
    }),
  )
}
</script>

<template>
  <DeskArea
    title="Rate sheets"
    about="rates, premiums and fees, with the moment they take effect"
    :problem="sheets.problem"
    :loading="!sheets.listed"
  >
    <template #actions>
      <Button v-if="session.can('edit')" @click="addSheet">New rate sheet</Button>
    </template>
    <div class="both">
      <ul class="choose-list" aria-label="All rate sheets">
        <li v-for="one in sheets.listed" :key="one.sheet.id">
          <button type="button" :aria-pressed="one.sheet.id === sheets.sheet?.id" @click="choose(one)">
            <strong>{{ one.sheet.name }}</strong>
            <span class="soft">{{ states[one.state] }}</span>
            <span class="soft">{{
              one.usedBy.length ? `looked up by ${one.usedBy.length}` : 'not looked up yet'
            }}</span>
          </button>
        </li>
        <li v-if="sheets.listed?.length === 0" class="soft">
          No rate sheet yet: rates that change often stand here, so that a calculator needs no new edition for
          them.
        </li>
      </ul>
      <SheetEditor v-if="sheets.sheet" :sheet="sheets.sheet" />
    </div>
  </DeskArea>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 26px;
  align-items: start;
}
@media (max-width: 800px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>
