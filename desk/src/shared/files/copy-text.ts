import { message } from 'ant-design-vue'

/** Puts a text where it can be pasted from, and says so. */
export async function copyText(text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text)
    void message.success('Copied')
  } catch {
    void message.info('Copying is not allowed here; select the text and copy it by keyboard.')
  }
}
