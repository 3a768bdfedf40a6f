<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Content\StaleWrite;
use App\Models\AuditAction;
use App\Models\FreeName;
use App\Models\SiteDefinition;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Page\FrameDefinition;
use Wellspring\Core\Page\FrameReader;
use Wellspring\Core\Page\MenuDefinition;
use Wellspring\Core\Page\MenuReader;
use Wellspring\Core\Problem\Refused;

/** Keeps the frame and the menus: their drafts, and what is live. */
final readonly class FrameStore
{
    public const FRAME = 'frame';

    public const MENU = 'menu';

    /** The menu that there is also while nobody has published one: the pages that say a menu entry of their own. */
    public const MAIN = 'main';

    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function frame(): ?SiteDefinition
    {
        return SiteDefinition::query()->where('kind', self::FRAME)->first();
    }

    public function menu(string $key): ?SiteDefinition
    {
        return SiteDefinition::query()->where('kind', self::MENU)->where('key', $key)->first();
    }

    /** @throws Refused */
    public function readMenu(mixed $definition): MenuDefinition
    {
        return (new MenuReader($this->catalogue->catalogue()))->read($definition);
    }

    /** What stands around pages: the frame, and every menu by its key; what is not live is not among them. */
    public function live(bool $drafts = false): LiveFrame
    {
        [$frame, $menus] = [null, []];
        $rows = SiteDefinition::query()->orderBy('key');
        foreach ($drafts ? $rows->get() : $rows->whereNotNull('live')->get() as $row) {
            $definition = $this->readable($row, $drafts);
            if ($definition instanceof MenuDefinition) {
                $menus[$row->key] = $definition;
            } else {
                $frame = $definition;
            }
        }

        return new LiveFrame($frame, $menus);
    }

    /** Creates the frame or the menu, or replaces its draft. */
    public function apply(FrameDefinition|MenuDefinition $definition): SiteDefinition
    {
        return DB::transaction(function () use ($definition): SiteDefinition {
            $draft = ['draft' => $definition->toArray(), 'user_id' => Actor::id()];
            $new = new SiteDefinition(self::nameOf($definition) + $draft);
            if (FreeName::inserted($new, ['kind', 'key'])) {
                return $new->refresh();
            }
            $row = self::rowOf($definition)->lockForUpdate()->firstOrFail();
            $row->fill($draft);
            $row->revision++;
            $row->save();

            return $row;
        });
    }

    /** @return Collection<int, SiteDefinition> by their keys */
    public function menus(): Collection
    {
        return SiteDefinition::query()->where('kind', self::MENU)->orderBy('key')->get();
    }

    /**
     * Replaces the draft of the frame or of a menu.
     *
     * @param  int  $revision  the revision that the change started from; 0 where there was none
     *
     * @throws StaleWrite
     */
    public function save(FrameDefinition|MenuDefinition $definition, int $revision): SiteDefinition
    {
        return DB::transaction(function () use ($definition, $revision): SiteDefinition {
            $row = self::rowOf($definition)->lockForUpdate()->first();
            if (($row->revision ?? 0) !== $revision) {
                throw new StaleWrite($row->revision ?? 0);
            }

            return $this->apply($definition)->refresh();
        });
    }

    /** Makes the draft live and keeps it as a version. */
    public function publish(SiteDefinition $row): SiteDefinition
    {
        return DB::transaction(function () use ($row): SiteDefinition {
            $row = SiteDefinition::query()->lockForUpdate()->findOrFail($row->id);
            $this->read($row, $row->draft);
            PublishedVersions::publish($row);
            $isMenu = $row->kind === self::MENU;
            AuditTrail::record(
                $isMenu ? AuditAction::MenuPublished : AuditAction::FramePublished,
                $isMenu ? "“{$row->key}”" : '',
                ['key' => $row->key],
            );

            return $row;
        });
    }

    /** @return array{kind: string, key: string} */
    private static function nameOf(FrameDefinition|MenuDefinition $definition): array
    {
        return $definition instanceof MenuDefinition
            ? ['kind' => self::MENU, 'key' => $definition->key]
            : ['kind' => self::FRAME, 'key' => self::FRAME];
    }

    /** @return Builder<SiteDefinition> */
    private static function rowOf(FrameDefinition|MenuDefinition $definition): Builder
    {
        return SiteDefinition::query()->where(self::nameOf($definition));
    }

    private function readable(SiteDefinition $row, bool $draft): FrameDefinition|MenuDefinition|null
    {
        try {
            return $this->read($row, $draft ? $row->draft : $row->live);
        } catch (Refused $refused) {
            report(new \RuntimeException("The {$row->kind} “{$row->key}” cannot be read: {$refused->getMessage()}"));
        }
        foreach (PublishedVersions::of($row) as $definition) {
            try {
                return $this->read($row, $definition);
            } catch (Refused) {
                continue;
            }
        }

        return null;
    }

    /** @throws Refused */
    private function read(SiteDefinition $row, mixed $definition): FrameDefinition|MenuDefinition
    {
        return $row->kind === self::MENU ? $this->readMenu($definition) : FrameReader::read($definition);
    }
}
