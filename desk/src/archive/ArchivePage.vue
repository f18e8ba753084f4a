<script setup lang="ts">
import { Alert, Button, Checkbox, message } from 'ant-design-vue'
import { computed, ref, shallowRef } from 'vue'
import { ArchiveRead, BroughtIn, MOST_ARCHIVE_BYTES, type BringIn } from '@vivid/contract'
import { chosenFile } from '../shared/files/chosen-file'
import { useAsking } from '../shared/api/use-asking'
import { requestFile, requestWithFile } from '../shared/api/request'
import { saveBlob } from '../shared/files/text-files'
import CallToAction from '../shared/page/CallToAction.vue'
import DeskArea from '../shared/page/DeskArea.vue'
import ArchiveItems from './ArchiveItems.vue'

/** Everything in one file: taken out, and brought in again, piece by piece as somebody chooses. */
const { busy, problem, asking } = useAsking()
const takeOut = () => asking(async () => saveBlob(await requestFile('/archive'), 'vivid-meter-archive.zip'))

const file = shallowRef<File>()
const read = shallowRef<ArchiveRead>()
const brought = shallowRef<BroughtIn>()
const choices = ref<BringIn>({
  calculators: {},
  sheets: {},
  styles: {},
  placements: false,
  audience: false,
  record: false,
})

async function open(event: Event): Promise<void> {
  const chosen = chosenFile(event)
  if (chosen) await readFile(chosen)
}
async function readFile(chosen: File): Promise<void> {
  read.value = brought.value = undefined
  file.value = chosen
  if (chosen.size > MOST_ARCHIVE_BYTES) {
    problem.value = `This file is larger than ${MOST_ARCHIVE_BYTES / 2 ** 20} MB. Whoever runs the server can bring it back from the command line.`
    return
  }
  await asking(async () => {
    const found = await requestWithFile(ArchiveRead, '/archive/reading', formOf(chosen))
    read.value = found
    const absent = (items: readonly { id: string; state: string }[]) =>
      Object.fromEntries(
        items.filter(({ state }) => state === 'absent').map(({ id }) => [id, 'add' as const]),
      )
    choices.value = {
      calculators: absent(found.calculators),
      sheets: absent(found.sheets),
      styles: absent(found.styles),
      placements: found.placements + found.sites > 0,
      audience: found.days > 0,
      record: (found.entries ?? 0) > 0,
    }
  })
}
function formOf(archive: File, chosen?: BringIn): FormData {
  const form = new FormData()
  if (chosen) form.set('choices', JSON.stringify(chosen))
  form.set('archive', archive)
  return form
}

const hasRest = computed(() => {
  const { sites, placements, days, entries, people } = read.value ?? {}
  return (sites ?? 0) + (placements ?? 0) + (days ?? 0) + (entries ?? 0) + (people?.length ?? 0) > 0
})
const chosenCount = computed(() => {
  const { calculators, sheets, styles, placements, audience, record } = choices.value
  return (
    [calculators, sheets, styles].reduce((sum, all) => sum + Object.keys(all).length, 0) +
    [placements, audience, record].filter(Boolean).length
  )
})
const counted = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`
const isEmpty = computed(() => {
  const { calculators = [], sheets = [], styles = [] } = read.value ?? {}
  return !hasRest.value && [...calculators, ...sheets, ...styles].every(({ state }) => state === 'same')
})

async function bringIn(): Promise<void> {
  const archive = file.value
  if (!archive) return
  await asking(async () => {
    brought.value = await requestWithFile(BroughtIn, '/archive/contents', formOf(archive, choices.value))
    read.value = undefined
    void message.success('Brought in.')
  })
}
const broughtWords = computed(() => {
  const { calculators, sheets, styles, placements, people, days, entries } = brought.value ?? {}
  return [
    [calculators, 'calculator'],
    [sheets, 'rate sheet'],
    [styles, 'house style'],
    [placements, 'placement'],
    [people, 'person', 'people'],
    [days, 'day of the audience', 'days of the audience'],
    [entries, 'entry of the record', 'entries of the record'],
  ]
    .flatMap(([n, one, many]) =>
      n ? [counted(Number(n), String(one), many === undefined ? undefined : String(many))] : [],
    )
    .join(', ')
})
</script>

<template>
  <DeskArea title="Archive" about="everything in one file" :problem="problem">
    <template #actions>
      <RouterLink to="/people" class="link">Back to people</RouterLink>
      <Button @click="takeOut">Take everything out</Button>
    </template>
    <p>
      The archive holds every calculator with its editions, rates, styles, placements, audience and record, in
      open formats; no password, key or hand-over.
    </p>
    <label class="choose">
      <span>Bring an archive in</span>
      <input type="file" accept=".zip,application/zip" :disabled="busy" @change="open" />
    </label>
    <p v-if="busy && !file" class="soft" role="status">Everything is gathered …</p>
    <p v-else-if="file && busy && !read" class="soft" role="status">{{ file.name }} is read …</p>
    <p v-else-if="file && read" role="status">
      <strong>{{ file.name }}</strong> beside what is here:
    </p>
    <Alert
      v-if="brought"
      type="success"
      show-icon
      role="status"
      :message="`Brought in: ${broughtWords || 'nothing'}.`"
      description="Calculators that visitors had are taken down until an approver puts an edition live again; rate sheets wait to be sent and approved; people cannot come in until they are let in, under People."
    />
    <template v-if="read">
      <Alert
        v-if="isEmpty"
        type="info"
        role="status"
        message="All that this archive holds is here already."
      />
      <template v-else>
        <p class="soft">
          Nothing goes live by this: an approver puts calculators live again, and rates wait for approval.
        </p>
        <ArchiveItems
          v-model="choices.calculators"
          title="Calculators"
          may-stand-beside
          :items="read.calculators"
        />
        <ArchiveItems v-model="choices.sheets" title="Rate sheets" :items="read.sheets" />
        <ArchiveItems v-model="choices.styles" title="House styles" :items="read.styles" />
        <section v-if="hasRest" class="rest" aria-label="Besides">
          <h2>Besides</h2>
          <Checkbox v-if="read.sites + read.placements > 0" v-model:checked="choices.placements"
            >{{ counted(read.sites, 'site') }} and {{ counted(read.placements, 'placement') }} that are not
            here; snippets keep working</Checkbox
          >
          <Checkbox v-if="read.days > 0" v-model:checked="choices.audience"
            >{{ counted(read.days, 'day') }} of the audience that {{ read.days === 1 ? 'is' : 'are' }} not
            counted here</Checkbox
          >
          <Checkbox v-if="read.entries" v-model:checked="choices.record"
            >{{ counted(read.entries, 'entry', 'entries') }} of its record, put behind this desk’s own with
            the times they have</Checkbox
          >
          <p v-if="read.people.length" class="soft">
            {{ read.people.join(', ') }} {{ read.people.length === 1 ? 'is' : 'are' }} named in it and not
            here: they come as people who cannot come in.
          </p>
        </section>
        <div class="end">
          <CallToAction :disabled="chosenCount === 0" :loading="busy" @click="bringIn"
            >Bring in what is chosen</CallToAction
          >
        </div>
      </template>
    </template>
  </DeskArea>
</template>

<style scoped>
.choose {
  display: grid;
  gap: 6px;
  justify-items: start;
  margin: 18px 0;
  padding: 16px;
  border: 1px dashed var(--control-line);
  border-radius: 9px;
  background: var(--card);
}
.choose span {
  font-weight: 700;
}
.rest {
  display: grid;
  gap: 8px;
  margin-top: 22px;
}
.rest :deep(.ant-checkbox-wrapper) {
  margin: 0;
}
.end {
  display: flex;
  justify-content: flex-end;
  margin-top: 22px;
}
</style>
