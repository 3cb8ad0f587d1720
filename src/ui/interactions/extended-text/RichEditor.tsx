'use client';

import { Extension, type KeyboardShortcutCommand } from '@tiptap/core';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { EditorContent, useEditor, useEditorState, type Editor } from '@tiptap/react';
import { ListItem, ListKeymap } from '@tiptap/extension-list';
import StarterKit from '@tiptap/starter-kit';
import {
  Bold,
  Italic,
  List,
  ListIndentDecrease,
  ListIndentIncrease,
  ListOrdered,
  Redo2,
  Underline,
  Undo2,
} from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useTranslations } from 'use-intl';
import type { ExtendedTextModel } from '@/core/interactions/extended-text';
import styles from './extendedText.module.css';
import { WORD } from './useSpelling';
import { Press } from '../../kit/Button';

/** Without the list's own Tab: Tab leaves the writing as it leaves every box. */
const withoutTab = (keys: Record<string, KeyboardShortcutCommand>): Record<string, KeyboardShortcutCommand> =>
  Object.fromEntries(Object.entries(keys).filter(([key]) => !key.endsWith('Tab')));
const Item = ListItem.extend({
  addKeyboardShortcuts() {
    return withoutTab(this.parent?.() ?? {});
  },
});
const Keymap = ListKeymap.extend({
  addKeyboardShortcuts() {
    return withoutTab(this.parent?.() ?? {});
  },
});
/** A list goes in and out by Ctrl and a bracket, as by the buttons. */
const ListKeys = Extension.create({
  name: 'listKeys',
  addKeyboardShortcuts() {
    const indent = () => this.editor.commands.sinkListItem('listItem');
    const outdent = () => this.editor.commands.liftListItem('listItem');
    return { 'Mod-]': indent, 'Mod-[': outdent };
  },
});

const spellingKey = new PluginKey<DecorationSet>('spelling');

/** Words to look at, underlined in the text without being part of it. */
const Spelling = Extension.create({
  name: 'spelling',
  addProseMirrorPlugins() {
    return [
      new Plugin<DecorationSet>({
        key: spellingKey,
        state: {
          init: () => DecorationSet.empty,
          apply: (transaction, before) => {
            const wrong = transaction.getMeta(spellingKey) as readonly string[] | undefined;
            if (!wrong) return before.map(transaction.mapping, transaction.doc);
            const marks: Decoration[] = [];
            transaction.doc.descendants((node, position) => {
              for (const found of node.text?.matchAll(WORD) ?? [])
                if (wrong.includes(found[0]))
                  marks.push(
                    Decoration.inline(position + found.index, position + found.index + found[0].length, {
                      class: styles.wrong ?? '',
                    }),
                  );
            });
            return DecorationSet.create(transaction.doc, marks);
          },
        },
        props: { decorations: (state) => spellingKey.getState(state) },
      }),
    ];
  },
});

interface Props {
  readonly model: ExtendedTextModel;
  readonly text: string;
  readonly label: string;
  readonly labelledBy: string | undefined;
  readonly readOnly: boolean;
  readonly wrong: readonly string[];
  readonly onText: (text: string) => void;
  /** The editor itself, for replacing a word. */
  readonly onReady: (replace: (wrong: string, right: string) => void) => void;
}

const textOf = (editor: Editor, format: ExtendedTextModel['format']): string => {
  if (editor.isEmpty) return '';
  return format === 'xhtml' ? editor.getHTML() : editor.getText({ blockSeparator: '\n' });
};
const htmlOf = (text: string, format: ExtendedTextModel['format']): string =>
  format === 'xhtml'
    ? text
    : text
        .split('\n')
        .map((line) => `<p>${line.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</p>`)
        .join('');

/** Replaces every occurrence of a word, last first, so that places before it stay where they are. */
function replaceWord(editor: Editor, wrong: string, right: string): void {
  const places: number[] = [];
  const word = new RegExp(`(?<![\\p{L}'’])${wrong.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}])`, 'gu');
  editor.state.doc.descendants((node, position) => {
    for (const found of node.text?.matchAll(word) ?? []) places.push(position + found.index);
  });
  const chain = editor.chain();
  for (const at of places.reverse()) chain.insertContentAt({ from: at, to: at + wrong.length }, right);
  chain.focus().run();
}

/** Writing with formatting and spelling marks. Loaded by itself, where a question asks for it. */
export function RichEditor({ model, text, label, labelledBy, readOnly, wrong, onText, onReady }: Props) {
  const given = useRef(text);
  const onTextRef = useRef(onText);
  const onReadyRef = useRef(onReady);
  useEffect(() => {
    onTextRef.current = onText;
    onReadyRef.current = onReady;
  });
  const formatted = model.format === 'xhtml';
  const editor = useEditor({
    extensions: [
      StarterKit.configure({
        heading: false,
        codeBlock: false,
        code: false,
        link: false,
        horizontalRule: false,
        listItem: false,
        listKeymap: false,
        ...(formatted
          ? {}
          : {
              bold: false,
              italic: false,
              underline: false,
              strike: false,
              bulletList: false,
              orderedList: false,
              blockquote: false,
            }),
      }),
      ...(formatted ? [Item, Keymap, ListKeys] : []),
      Spelling,
    ],
    content: htmlOf(text, model.format),
    editable: !readOnly,
    immediatelyRender: false,
    editorProps: {
      attributes: {
        class: styles.editor ?? '',
        role: 'textbox',
        'aria-multiline': 'true',
        spellcheck: 'false',
        style: `min-height: ${Math.min(30, Math.max(3, model.lines)) * 1.6}rem`,
        ...(labelledBy ? { 'aria-labelledby': labelledBy } : { 'aria-label': label }),
      },
    },
    onUpdate: ({ editor: current }) => {
      given.current = textOf(current, model.format);
      onTextRef.current(given.current);
    },
    onCreate: ({ editor: current }) => {
      onReadyRef.current((from, to) => replaceWord(current, from, to));
    },
  });
  useEffect(() => {
    // Undone, or given on another device: what stands in the answer stands in the editor.
    if (editor && text !== given.current) {
      given.current = text;
      editor.commands.setContent(htmlOf(text, model.format), { emitUpdate: false });
    }
  }, [editor, text, model.format]);
  useEffect(() => {
    editor?.setEditable(!readOnly, false);
  }, [editor, readOnly]);
  useEffect(() => {
    if (editor) editor.view.dispatch(editor.state.tr.setMeta(spellingKey, wrong));
  }, [editor, wrong]);
  return (
    <>
      {editor && !readOnly && <Toolbar editor={editor} formatted={formatted} />}
      <EditorContent editor={editor} />
    </>
  );
}

/** What is done once and not switched on. */
const STEPS = ['indent', 'outdent', 'undo', 'redo'] as const;

function Toolbar({ editor, formatted }: { editor: Editor; formatted: boolean }) {
  const t = useTranslations('interactions.extendedText');
  const on = useEditorState({
    editor,
    selector: ({ editor: current }) => ({
      bold: current.isActive('bold'),
      italic: current.isActive('italic'),
      underline: current.isActive('underline'),
      bullets: current.isActive('bulletList'),
      numbers: current.isActive('orderedList'),
      indent: formatted && current.can().sinkListItem('listItem'),
      outdent: formatted && current.can().liftListItem('listItem'),
      undo: current.can().undo(),
      redo: current.can().redo(),
    }),
  });
  const chain = () => editor.chain().focus();
  const tools = [
    ...(formatted
      ? ([
          ['bold', Bold, () => chain().toggleBold()],
          ['italic', Italic, () => chain().toggleItalic()],
          ['underline', Underline, () => chain().toggleUnderline()],
          ['bullets', List, () => chain().toggleBulletList()],
          ['numbers', ListOrdered, () => chain().toggleOrderedList()],
          ['indent', ListIndentIncrease, () => chain().sinkListItem('listItem')],
          ['outdent', ListIndentDecrease, () => chain().liftListItem('listItem')],
        ] as const)
      : []),
    ['undo', Undo2, () => chain().undo()],
    ['redo', Redo2, () => chain().redo()],
  ] as const;
  return (
    <div className={styles.toolbar} role="toolbar" aria-label={t('tools')}>
      {tools.map(([name, Icon, act]) => {
        const step = STEPS.some((one) => one === name);
        return (
          <Press
            key={name}
            className={styles.tool}
            aria-pressed={step ? undefined : on[name]}
            disabled={step && !on[name]}
            aria-label={t(name)}
            title={t(name)}
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => act().run()}
          >
            <Icon size="1.15em" aria-hidden="true" />
          </Press>
        );
      })}
    </div>
  );
}
