import { AlignmentMark } from '@/ui/AlignmentMark'
import type { Cell } from '@/core/resolve/concordance'

// Plain elements: there are many, and they come and go while scrolling.
export const CellContent = ({ cell }: { cell: Cell }) => (
  <>
    <AlignmentMark grade={cell.grade} distance={cell.distance} size={30} />
    <div className="words">
      <div
        className={`${cell.grade === 'missing' ? 'sub' : 'main'}${cell.sub || !cell.held ? '' : ' alone'}`}
        title={cell.main}
      >
        {cell.main}
      </div>
      {cell.held ? (
        cell.sub && (
          <div className="sub" title={cell.sub}>
            {cell.sub}
          </div>
        )
      ) : (
        <div className="broken">must broken</div>
      )}
    </div>
  </>
)
