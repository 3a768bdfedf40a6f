<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Changes\UndoChange;
use App\Content\BulkEdit;
use App\Content\TypeChange;
use App\Media\DrawUpload;

/** The register of long work. */
enum TaskKind: string
{
    case ManyItems = 'manyItems';
    case TypeChange = 'typeChange';
    case Undo = 'undo';
    case Picture = 'picture';

    /** @return class-string<LongWork> */
    public function work(): string
    {
        return match ($this) {
            self::ManyItems => BulkEdit::class,
            self::TypeChange => TypeChange::class,
            self::Undo => UndoChange::class,
            self::Picture => DrawUpload::class,
        };
    }
}
