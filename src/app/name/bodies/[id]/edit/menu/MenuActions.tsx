import { Button } from '@mui/material'
import { Wrap } from '@/ui/pieces'
import type { Menu } from './use-menu'

/** What the keys do, for the mouse and the thumb. */
export const MenuActions = ({ menu, onReview, onPaste }: { menu: Menu; onReview: () => void; onPaste: () => void }) => {
  const { line, setting } = menu
  const isAboveSettings = line?.kind === 'tab' || line?.kind === 'page'
  return (
    <Wrap sx={{ mb: 1 }}>
      {menu.isToDecide && (
        <Button size="small" variant="contained" onClick={onReview}>
          Read it a page at a time
        </Button>
      )}
      <Button size="small" variant="outlined" onClick={menu.addAfter}>
        Add setting
      </Button>
      {isAboveSettings ? (
        <Button size="small" onClick={menu.addPage}>
          Add page
        </Button>
      ) : (
        <Button size="small" disabled={!setting} onClick={menu.addLastOption}>
          Add option
        </Button>
      )}
      <Button size="small" onClick={menu.addNewTab}>
        Add tab
      </Button>
      <Button size="small" onClick={onPaste}>
        Paste more
      </Button>
      <Button size="small" disabled={!setting} onClick={() => menu.move(-1)}>
        Move up
      </Button>
      <Button size="small" disabled={!setting} onClick={() => menu.move(1)}>
        Move down
      </Button>
      <Button size="small" onClick={() => menu.startRenaming(line?.key)}>
        Rename
      </Button>
      <Button size="small" onClick={menu.remove} disabled={line?.kind === 'tab'}>
        Remove
      </Button>
    </Wrap>
  )
}
