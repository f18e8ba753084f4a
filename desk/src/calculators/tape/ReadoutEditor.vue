<script setup lang="ts">
import { Button, Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import {
  mainLanguage,
  actionNames,
  comparisonRows,
  scheduleColumns,
  whatIfNames,
  type CalculatorDocument,
  type ReadoutStep,
  type Scope,
} from '@vivid/core'
import { useDraft } from '../draft/draft-store'
import RichTextField from '../../shared/fields/RichTextField.vue'
import TextsField from '../../shared/fields/TextsField.vue'
import FormulaField from '../formula/FormulaField.vue'
import FiguresThere from './FiguresThere.vue'
import LoanList from './LoanList.vue'
import { loansThere } from './loans-there'
import { choicesOf, optionWords } from './option-words'
import { actionWords, columnWords, rowWords, whatIfWords } from './readout-words'
import ShownWhen from './ShownWhen.vue'
import StepPick from './StepPick.vue'
import StepTicks from './StepTicks.vue'

const { step, document } = defineProps<{ step: ReadoutStep; document: CalculatorDocument; scope: Scope }>()
const draft = useDraft()
const set = (field: string) => (value: unknown) => void draft.changeStep(step.id, { [field]: value })

const named = (kind: 'ladder' | 'comparison' | 'payOff' | 'refinance' | 'affordability') =>
  computed(() =>
    document.steps.flatMap((one) => (one.kind === kind ? [{ value: one.id, label: one.name }] : [])),
  )
const loans = computed(() => loansThere(document))
const [ladders, comparisons] = [named('ladder'), named('comparison')]
const [refinances, affordabilities] = [named('refinance'), named('affordability')]
const payOffs = named('payOff')
type Part = Extract<ReadoutStep, { shows: 'meter' }>['parts'][number]
const partsOf = computed((): readonly Part[] => ('parts' in step ? step.parts : []))
const putParts = (parts: Part[]) => void draft.changeStep(step.id, { parts })
const setPart = (at: number, fields: Partial<Part>) =>
  putParts(partsOf.value.map((one, i) => (i === at ? { ...one, ...fields } : one)))
const addPart = () =>
  putParts([...partsOf.value, { label: { [mainLanguage(document)]: 'part' }, amount: '' }])
</script>

<template>
  <TextsField
    :id="`${step.id}-label`"
    label="Label"
    :texts="step.label"
    :languages="document.languages"
    :field="`${step.id}.label`"
    @change="set('label')($event)"
  />
  <TextsField
    :id="`${step.id}-help`"
    label="Help below it"
    :texts="step.help"
    :languages="document.languages"
    :field="`${step.id}.help`"
    long
    @change="set('help')($event)"
  />

  <FormulaField
    v-if="step.shows === 'figure'"
    :id="`${step.id}-value`"
    class="wide"
    label="The figure"
    :value="step.value"
    :scope="scope"
    :takes="{ is: 'shown' }"
    :field="`${step.id}.value`"
    @change="set('value')($event)"
  />
  <FiguresThere
    v-if="step.shows === 'figure' && step.value.trim() === ''"
    :document="document"
    :scope="scope"
    :takes="{ is: 'shown' }"
    @choose="set('value')($event)"
  />
  <Checkbox
    v-if="step.shows === 'figure'"
    class="tick-alone wide"
    :checked="step.headline"
    @change="(event) => set('headline')(event.target.checked === true)"
  >
    The one large figure of the page
  </Checkbox>
  <TextsField
    v-if="'sentence' in step"
    :id="`${step.id}-sentence`"
    class="wide"
    label="Sentence, with values in braces"
    :texts="step.sentence"
    :languages="document.languages"
    :field="`${step.id}.sentence`"
    hint="Paid off after {the loan.payments} payments."
    long
    @change="set('sentence')($event)"
  />
  <fieldset v-if="'parts' in step" class="wide terms">
    <legend>{{ step.shows === 'figure' ? 'Parts of the figure, as a meter' : 'Parts of the meter' }}</legend>
    <div v-for="(one, at) in partsOf" :key="at" class="row wide">
      <TextsField
        :id="`${step.id}-part-${at}`"
        label="Visitors read"
        :texts="one.label"
        :languages="document.languages"
        :field="`${step.id}.parts.${at}.label`"
        @change="setPart(at, { label: $event })"
      />
      <FormulaField
        :id="`${step.id}-part-${at}-amount`"
        label="Amount"
        :value="one.amount"
        :scope="scope"
        :takes="{ is: 'money', per: 'any' }"
        :field="`${step.id}.parts.${at}.amount`"
        small
        @change="setPart(at, { amount: $event })"
      />
      <FiguresThere
        v-if="one.amount.trim() === ''"
        :document="document"
        :scope="scope"
        :takes="{ is: 'money', per: 'any' }"
        @choose="setPart(at, { amount: $event })"
      />
      <Button
        size="small"
        :disabled="step.shows === 'meter' && partsOf.length < 2"
        @click="putParts(partsOf.filter((_, i) => i !== at))"
        >Remove</Button
      >
    </div>
    <button v-if="partsOf.length < 8" type="button" class="link" @click="addPart">Add a part</button>
  </fieldset>

  <template v-if="step.shows === 'chart'">
    <StepPick
      :step="step"
      name="chart"
      label="Draws"
      :value="step.chart"
      :options="choicesOf(optionWords.chart)"
    />
    <StepPick
      v-if="step.chart === 'ladder'"
      :step="step"
      name="ladder"
      label="Ladder"
      :value="step.ladder ?? ''"
      :options="ladders"
    />
    <StepPick
      v-else-if="step.chart === 'refinance' || step.chart === 'limits'"
      :step="step"
      name="of"
      :label="step.chart === 'refinance' ? 'Refinancing' : 'Affordability'"
      :value="step.of ?? ''"
      :options="step.chart === 'refinance' ? refinances : affordabilities"
    />
    <LoanList
      v-else
      :id="step.id"
      class="wide"
      :loans="step.loans"
      :document="document"
      :most="step.chart === 'yearly' ? 1 : 4"
      @change="set('loans')($event)"
    />
  </template>
  <template v-if="step.shows === 'schedule'">
    <StepPick :step="step" name="loan" label="Of the loan" :value="step.loan" :options="loans" />
    <StepPick :step="step" name="by" label="Lines" :value="step.by" :options="choicesOf(optionWords.by)" />
    <StepTicks
      class="wide"
      :step="step"
      name="columns"
      label="Columns"
      :ticked="step.columns"
      :all="scheduleColumns"
      :words="columnWords"
    />
  </template>
  <StepPick
    v-if="step.shows === 'ladder'"
    :step="step"
    name="ladder"
    label="Ladder"
    :value="step.ladder"
    :options="ladders"
  />
  <StepPick
    v-if="step.shows === 'payOff'"
    :step="step"
    name="payOff"
    label="Of the loans paid off in"
    :value="step.payOff"
    :options="payOffs"
  />
  <template v-if="step.shows === 'comparison'">
    <StepPick
      :step="step"
      name="comparison"
      label="Comparison"
      :value="step.comparison"
      :options="comparisons"
    />
    <StepTicks
      class="wide"
      :step="step"
      name="rows"
      label="Rows"
      :ticked="step.rows"
      :all="comparisonRows"
      :words="rowWords"
    />
  </template>
  <template v-if="step.shows === 'whatIf'">
    <StepPick :step="step" name="loan" label="About the loan" :value="step.loan" :options="loans" />
    <StepTicks
      class="wide"
      :step="step"
      name="offers"
      label="The visitor may try"
      :ticked="step.offers"
      :all="whatIfNames"
      :words="whatIfWords"
    />
  </template>
  <template v-if="step.shows === 'payment'">
    <StepPick :step="step" name="loan" label="Of the loan" :value="step.loan" :options="loans" />
    <FormulaField
      :id="`${step.id}-number`"
      label="Payment number"
      :value="step.number"
      :scope="scope"
      :takes="{ is: 'count' }"
      :field="`${step.id}.number`"
      small
      @change="set('number')($event)"
    />
  </template>
  <p v-if="step.shows === 'explanation'" class="soft wide">
    It lists the workings marked “visitors find it under how this was worked out”, with this visitor’s
    figures.
  </p>
  <RichTextField
    v-if="step.shows === 'assumptions'"
    :id="`${step.id}-text`"
    class="wide"
    label="What it supposes and leaves out"
    :texts="step.text"
    :languages="document.languages"
    :field="`${step.id}.text`"
    @change="set('text')($event)"
  />
  <StepTicks
    v-if="step.shows === 'actions'"
    class="wide"
    :step="step"
    name="actions"
    label="Actions"
    :ticked="step.actions"
    :all="actionNames"
    :words="actionWords"
  />

  <ShownWhen :step="step" :scope="scope" />
</template>
