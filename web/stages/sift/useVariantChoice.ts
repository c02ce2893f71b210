import type { VariantChoices } from '@opsimath/contract/api/variants';
import { undoStackOf } from '../../state/undo';
import { useScope } from '../../state/useScope';
import { useChooseVariantsMutation } from '../../state/variantsApi';

/** Decides by hand what belongs under what; each decision can be taken back. */
export function useVariantChoice(): (choices: VariantChoices['choices'], what: string) => void {
  const { project } = useScope();
  const [choose] = useChooseVariantsMutation();
  return (choices, what) => {
    choose({ project, choices })
      .unwrap()
      .then(({ before }) =>
        undoStackOf(project).push({
          what,
          undo: () => choose({ project, choices: before }).unwrap(),
          redo: () => choose({ project, choices }).unwrap(),
        }),
      )
      .catch(() => undefined);
  };
}
