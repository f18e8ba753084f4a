<script setup lang="ts">
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import { wantedOfWorking, type CalculatorDocument, type Scope, type StepOf } from '@vivid/core'
import { unitWords } from '@vivid/contract'
import { useDraft } from '../draft/draft-store'
import PickField from '../../shared/fields/PickField.vue'
import TextField from '../../shared/fields/TextField.vue'
import TextsField from '../../shared/fields/TextsField.vue'
import FormulaField from '../formula/FormulaField.vue'
import { choicesOf, optionWords } from './option-words'
import StepPick from './StepPick.vue'

const { step, scope } = defineProps<{ step: StepOf<'working'>; document: CalculatorDocument; scope: Scope }>()
const draft = useDraft()
const set = (field: string) => (value: unknown) => void draft.changeStep(step.id, { [field]: value })

const unit = computed(() => scope.steps.get(step.name.trim().toLowerCase())?.unit)
const gives = computed(() => (unit.value && step.unit === 'any' ? `: ${unitWords(unit.value)}` : ''))

const tos = computed(() =>
  unit.value?.is === 'money'
    ? [
        { value: '0.01', label: 'cent' },
        { value: '1', label: 'whole unit' },
        { value: '10', label: 'ten' },
        { value: '100', label: 'hundred' },
        { value: '1000', label: 'thousand' },
      ]
    : [
        { value: '0.001', label: 'thousandth' },
        { value: '0.01', label: 'hundredth' },
        { value: '0.1', label: 'tenth' },
        { value: '1', label: 'whole number' },
        { value: '10', label: 'ten' },
      ],
)
const round = (how: string) => set('rounding')(how === '' ? null : { how, to: step.rounding?.to ?? '0.01' })
</script>

<template>
  <FormulaField
    :id="`${step.id}-formula`"
    class="wide"
    label="Worked out as"
    :value="step.formula"
    :scope="scope"
    :takes="wantedOfWorking[step.unit]"
    :field="`${step.id}.formula`"
    @change="set('formula')($event)"
  />
  <div class="answers wide">
    <StepPick
      :step="step"
      name="unit"
      :label="`It has to be${gives}`"
      :value="step.unit"
      :options="choicesOf(optionWords.unit)"
    />
    <PickField
      :id="`${step.id}-how`"
      label="Rounded"
      :value="step.rounding?.how ?? ''"
      :options="choicesOf(optionWords.rounded)"
      @change="round"
    />
    <PickField
      v-if="step.rounding"
      :id="`${step.id}-to`"
      label="To a"
      :value="step.rounding.to"
      :options="tos"
      @change="set('rounding')({ how: step.rounding.how, to: $event })"
    />
  </div>
  <Checkbox
    class="tick-alone"
    :checked="step.shown"
    @change="(event) => set('shown')(event.target.checked === true)"
  >
    Visitors find it under “how this was worked out”
  </Checkbox>
  <TextsField
    v-if="step.shown"
    :id="`${step.id}-label`"
    label="As visitors read it"
    :texts="step.label"
    :languages="document.languages"
    :field="`${step.id}.label`"
    needed
    @change="set('label')($event)"
  />
  <TextField
    :id="`${step.id}-note`"
    class="wide"
    label="Note for those who look after it"
    :value="step.note"
    :most="1000"
    long
    @change="set('note')($event)"
  />
</template>
