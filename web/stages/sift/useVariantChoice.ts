import type { VariantChoices } from '@opsimath/contract/api/variants';
import { request } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { useChooseVariantsMutation, variantsApi } from '../../state/variantsApi';

/** Decides by hand what belongs under what; each decision can be taken back. */
export function useVariantChoice(): (choices: VariantChoices['choices'], what: string) => void {
  const { project } = useScope();
  const [choose] = useChooseVariantsMutation();
  const undoable = useUndoable(project);
  return (choices, what) => {
    choose({ project, choices })
      .unwrap()
      .then(({ before }) =>
        undoable({
          what,
          undo: request(variantsApi.endpoints.chooseVariants, { project, choices: before }),
          redo: request(variantsApi.endpoints.chooseVariants, { project, choices }),
        }),
      )
      .catch(() => undefined);
  };
}
