<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\SiteLanguage;
use App\Content\StaleWrite;
use App\Database\FreeName;
use App\Enums\AuditAction;
use App\Models\SiteDefinition;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Context\SiteSettingsReader;
use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Frame\FrameReader;
use Wellspring\Core\Page\Menu\MenuDefinition;
use Wellspring\Core\Page\Menu\MenuReader;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Stores the frame, the menus and the site's settings: their drafts and live versions. */
final readonly class SiteDefinitionStore
{
    public const FRAME = 'frame';

    public const MENU = 'menu';

    public const SETTINGS = 'settings';

    /** The menu that exists before one is published: it lists the pages that define a menu entry. */
    public const MAIN = 'main';

    public function __construct(private CatalogueStore $catalogue, private PageQuery $pages)
    {
    }

    public function frame(): ?SiteDefinition
    {
        return SiteDefinition::query()->where('kind', self::FRAME)->first();
    }

    public function settings(): ?SiteDefinition
    {
        return SiteDefinition::query()->where('kind', self::SETTINGS)->first();
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

    /** The live frame, and every live menu by its key. */
    public function live(bool $drafts = false): LiveFrame
    {
        [$frame, $menus] = [null, []];
        $rows = SiteDefinition::query()->whereIn('kind', [self::FRAME, self::MENU])->orderBy('key');
        foreach ($drafts ? $rows->get() : $rows->whereNotNull('live')->get() as $row) {
            $definition = $this->readable($row, $drafts);
            if ($definition instanceof MenuDefinition) {
                $menus[$row->key] = $definition;
            } elseif ($definition instanceof FrameDefinition) {
                $frame = $definition;
            }
        }

        return new LiveFrame($frame, $menus);
    }

    /** Creates the draft or replaces it. */
    public function apply(FrameDefinition|MenuDefinition|SiteSettings $definition): SiteDefinition
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
     * Replaces the draft.
     *
     * @param  int  $revision  the revision that the change started from; 0 if there was none
     *
     * @throws StaleWrite
     */
    public function save(FrameDefinition|MenuDefinition|SiteSettings $definition, int $revision): SiteDefinition
    {
        return DB::transaction(function () use ($definition, $revision): SiteDefinition {
            $row = self::rowOf($definition)->lockForUpdate()->first();
            if (($row->revision ?? 0) !== $revision) {
                throw new StaleWrite($row->revision ?? 0);
            }

            return $this->apply($definition)->refresh();
        });
    }

    /**
     * Publishes the draft and stores it as a version. After a change of language, all text is sorted and indexed again.
     *
     * @param  int|null  $revision  the draft's revision; null: any
     *
     * @throws StaleWrite
     */
    public function publish(SiteDefinition $row, ?int $revision = null): SiteDefinition
    {
        return DB::transaction(function () use ($row, $revision): SiteDefinition {
            $row = SiteDefinition::query()->lockForUpdate()->findOrFail($row->id);
            StaleWrite::unless($row->revision, $revision);
            $definition = $this->read($row, $row->draft);
            if ($definition instanceof SiteSettings) {
                $this->checkPages($definition);
                SiteLanguage::use($definition->locale);
            }
            PublishedVersions::publish($row);
            AuditTrail::record(match ($row->kind) {
                self::MENU => AuditAction::MenuPublished,
                self::SETTINGS => AuditAction::SettingsPublished,
                default => AuditAction::FramePublished,
            }, $row->kind === self::MENU ? "“{$row->key}”" : '', ['key' => $row->key]);
            $this->catalogue->forget();

            return $row;
        });
    }

    /** @throws Refused where settings name pages that are not live, or that have a placeholder */
    private function checkPages(SiteSettings $settings): void
    {
        $live = [];
        foreach ($this->pages->some(array_values($settings->pages())) as $stored) {
            $live[$stored->definition->key] = $stored->definition->about === null;
        }
        foreach ($settings->pages() as $place => $key) {
            if (($live[$key] ?? false) === false) {
                throw Refused::because(
                    $place,
                    ProblemCode::Unknown,
                    "expected the key of a live page about nothing but itself, found “{$key}”.",
                );
            }
        }
    }

    /** @return array{kind: string, key: string} */
    private static function nameOf(FrameDefinition|MenuDefinition|SiteSettings $definition): array
    {
        return match (true) {
            $definition instanceof MenuDefinition => ['kind' => self::MENU, 'key' => $definition->key],
            $definition instanceof SiteSettings => ['kind' => self::SETTINGS, 'key' => self::SETTINGS],
            default => ['kind' => self::FRAME, 'key' => self::FRAME],
        };
    }

    /** @return Builder<SiteDefinition> */
    private static function rowOf(FrameDefinition|MenuDefinition|SiteSettings $definition): Builder
    {
        return SiteDefinition::query()->where(self::nameOf($definition));
    }

    private function readable(SiteDefinition $row, bool $draft): FrameDefinition|MenuDefinition|SiteSettings|null
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
    private function read(SiteDefinition $row, mixed $definition): FrameDefinition|MenuDefinition|SiteSettings
    {
        return match ($row->kind) {
            self::MENU => $this->readMenu($definition),
            self::SETTINGS => SiteSettingsReader::read($definition),
            default => FrameReader::read($definition),
        };
    }
}
