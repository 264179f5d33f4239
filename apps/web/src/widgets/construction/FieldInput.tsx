import { useState, type ComponentProps } from 'react';
import { Input, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { knownAs, type CountInput, type Field, type TextInput } from '@temnex/core/recipes';
import { describeField, recipeText } from '@temnex/words';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { SumNote } from '../../design/SumNote.tsx';
import { Tick } from '../../design/Tick.tsx';
import { formatFieldValue, sumOf, valueOf, type ConstructionEditor } from './constructionEditor.ts';

const WithSum = styled.span`
  display: inline-flex;
  align-items: flex-end;
  gap: 0.1rem;
`;
const Count = styled(TextField)`
  display: inline-flex;
  flex-direction: column;
  gap: 0.15rem;
  & > span {
    font-size: var(--s1);
    line-height: 1.2;
    color: var(--quiet);
  }
  & > input {
    width: 3.6rem;
    min-height: 2.25rem;
    padding: 0.1rem 0.45rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 600 1.2rem/1.2 var(--figures);
  }
  &[data-computed] > input {
    border-bottom: 1.5px dotted var(--quiet);
    background: transparent;
    font-weight: 400;
  }
  &[data-invalid] > input {
    border-bottom: 2px dashed var(--cut);
  }
`;

interface FieldInputProps {
  made: ConstructionEditor;
  field: Field;
  /** On the drawing, where what stands around a number says what it is. */
  bare?: boolean;
  width?: string;
}

/** One field of a recipe, whatever it holds: given values stand on a solid line, computed ones on dots with their sum. */
export function FieldInput({ made, field, bare = false, width }: FieldInputProps) {
  const [open, setOpen] = useState(false);
  const { recipe, table } = made;
  const words = recipeText(recipe);
  const name = describeField(recipe, field.path);
  const shown = words.field(field.path);
  if (field.kind === 'choice')
    return (
      <Choice
        label={name}
        shown={shown}
        value={field.value}
        options={field.options.map((id) => ({ id, name: words.option(field.path, id) }))}
        onChange={(value) => made.set(field.path, value)}
      />
    );
  if (field.kind === 'text') return <WrittenField made={made} field={field} name={name} shown={shown} />;
  if (field.kind === 'count') return <CountField made={made} field={field} name={name} shown={shown} bare={bare} />;
  const sum = sumOf(made, field.path);
  const value = valueOf(made, field.path);
  return (
    <WithSum
      onKeyDown={(e) => {
        if (e.key !== '=' || !sum || open) return;
        e.preventDefault();
        setOpen(true);
      }}
    >
      {sum && value !== null ? (
        <SumNote name={name} sum={sum} total={value} mark={table.mark} isOpen={open} onOpenChange={setOpen} />
      ) : null}
      <LengthField
        label={name}
        shown={shown}
        hideLabel={bare}
        value={formatFieldValue(made, field)}
        unit={table.unit}
        options={field.allow ? { allow: field.allow } : {}}
        computed={field.value === undefined}
        onCommit={(text) => made.set(field.path, text)}
        {...(field.ifEmpty === 'refused' ? {} : { onEmpty: () => made.set(field.path, undefined) })}
        {...(width ? { width } : {})}
      />
    </WithSum>
  );
}

interface CountFieldProps {
  made: ConstructionEditor;
  field: CountInput;
  name: string;
  shown: string;
  bare: boolean;
}

function CountField({ made, field, name, shown, bare }: CountFieldProps) {
  const is = formatFieldValue(made, field);
  const { least = 1, most } = field;
  return (
    <Typed
      name={name}
      field={field}
      is={is}
      shown={bare ? null : shown}
      isWrong={(text) => !(Number.isInteger(Number(text)) && Number(text) >= least && Number(text) <= most)}
      wrong={`a number from ${least} to ${most}`}
      onCommit={(text) => {
        if (text === null) {
          if (field.ifEmpty !== 'refused') made.set(field.path, undefined);
        } else if (Number(text) !== field.value) made.set(field.path, Number(text));
      }}
      inputMode="numeric"
    />
  );
}

interface WrittenFieldProps {
  made: ConstructionEditor;
  field: TextInput;
  name: string;
  shown: string;
}

/** Letters or words; emptied, it is worked out again. */
function WrittenField({ made, field, name, shown }: WrittenFieldProps) {
  const reads = new RegExp(`^(?:${field.reads})$`, 'u');
  // A title stays as it is typed; letters of papers are small ones, however they are typed.
  const spelled = (text: string) => (reads.test(text.trim()) ? text.trim() : text.trim().toLowerCase());
  return (
    <Typed
      name={name}
      field={field}
      shown={shown}
      is={formatFieldValue(made, field)}
      isWrong={(text) => !reads.test(spelled(text))}
      wrong={recipeText(made.recipe).written?.(field.path) ?? field.example}
      onCommit={(text) => {
        if ((text ?? '') !== (field.value ?? '')) made.set(field.path, text === null ? undefined : spelled(text));
      }}
      placeholder={field.example}
      style={{ width: '11rem' }}
    />
  );
}

interface TypedProps extends Pick<ComponentProps<'input'>, 'inputMode' | 'placeholder' | 'style'> {
  name: string;
  /** What stands over it; null where what stands around says what it is. */
  shown: string | null;
  is: string;
  field: CountInput | TextInput;
  isWrong: (text: string) => boolean;
  wrong: string;
  /** Null: it was emptied. */
  onCommit: (text: string | null) => void;
}

/** Something typed that is no length: taken when one leaves it or presses Enter, let be by Escape. */
function Typed({ name, shown, is, field, isWrong, wrong, onCommit, ...input }: TypedProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? is;
  const empty = text.trim() === '';
  const odd = !empty && isWrong(text);
  const commit = () => {
    if (draft === null || odd) return;
    setDraft(null);
    onCommit(empty ? null : text);
  };
  return (
    <Count
      aria-label={name}
      value={text}
      onChange={setDraft}
      onBlur={commit}
      isInvalid={odd}
      validationBehavior="aria"
      onKeyDown={(e) => (e.key === 'Enter' ? commit() : e.key === 'Escape' ? setDraft(null) : undefined)}
      {...(field.value === undefined ? { 'data-computed': true } : {})}
    >
      {shown === null ? null : <span aria-hidden="true">{shown}</span>}
      <Input {...input} autoComplete="off" spellCheck={false} onFocus={(e) => e.currentTarget.select()} />
      {odd ? <small role="alert">{wrong}</small> : null}
    </Count>
  );
}

/** Whether what is given in a group was measured, where its recipe keeps that. */
export function KnownTick({ made, fields }: { made: ConstructionEditor; fields: readonly Field[] }) {
  const at = fields.flatMap((f) => (f.kind === 'length' && f.knownAt ? [f.knownAt] : []))[0];
  if (!at) return null;
  const measured = knownAs(made.input, at) === 'measured';
  return (
    <Tick checked={measured} onChange={() => made.set(at, measured ? 'assumed' : 'measured')}>
      measured, not only believed
    </Tick>
  );
}
