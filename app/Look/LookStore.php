<?php

declare(strict_types=1);

namespace App\Look;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Content\StaleWrite;
use App\Database\FreeName;
use App\Enums\AuditAction;
use App\Models\Module;
use App\Models\Page;
use App\Models\SiteDefinition;
use App\Pages\PublishedVersions;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Look\Look;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Look\ShippedLooks;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Stores looks: each has a draft, and one of them is live. Shipped looks exist until somebody changes them. */
final readonly class LookStore
{
    public const KIND = 'look';

    public function __construct(private CatalogueStore $catalogue)
    {
    }

    /** @return array<string, Look> drafts by key: those that ship first, then the others by key */
    public function all(): array
    {
        $looks = ShippedLooks::all();
        foreach (self::rows()->orderBy('key')->get() as $row) {
            $looks[$row->key] = LookReader::read($row->draft);
        }

        return $looks;
    }

    /** @return list<Look> every look whose sheet somebody may ask for: the live one and all drafts */
    public function candidates(): array
    {
        return [$this->catalogue->look(), ...array_values($this->all())];
    }

    public function row(string $key): ?SiteDefinition
    {
        return self::rows()->where('key', $key)->first();
    }

    /** The key of the live look. */
    public function liveKey(): string
    {
        $key = self::rows()->whereNotNull('live')->value('key');

        return is_string($key) ? $key : ShippedLooks::FIRST;
    }

    /**
     * Saves the draft, or creates it.
     *
     * @param  int  $revision  the revision that the change started from; 0 for an unchanged shipped look
     *
     * @throws StaleWrite
     */
    public function save(Look $look, int $revision): SiteDefinition
    {
        return DB::transaction(function () use ($look, $revision): SiteDefinition {
            $row = self::rows()->where('key', $look->key)->lockForUpdate()->first();
            if (($row->revision ?? 0) !== $revision) {
                throw new StaleWrite($row->revision ?? 0);
            }
            $draft = ['draft' => $look->toArray(), 'user_id' => Actor::id()];
            if ($row === null) {
                $row = new SiteDefinition(['kind' => self::KIND, 'key' => $look->key] + $draft);
                if (! FreeName::inserted($row, ['kind', 'key'])) {
                    throw new StaleWrite(1);
                }

                return $row->refresh();
            }
            $row->fill($draft);
            $row->revision++;
            $row->save();

            return $row;
        });
    }

    /** Makes a look live, with its current draft. */
    public function publish(string $key, ?int $revision = null): SiteDefinition
    {
        return DB::transaction(function () use ($key, $revision): SiteDefinition {
            $look = $this->all()[$key] ?? null;
            if ($look === null) {
                throw Refused::because('key', ProblemCode::Unknown, "There is no look “{$key}”.");
            }
            $stored = $this->row($key);
            $row = $stored ?? $this->save($look, 0);
            // Serialised, because only one look is live.
            self::rows()->orderBy('id')->lockForUpdate()->get();
            $row = SiteDefinition::query()->findOrFail($row->id);
            $stored === null || StaleWrite::unless($row->revision, $revision);
            self::rows()->where('id', '<>', $row->id)->whereNotNull('live')->update(['live' => null]);
            PublishedVersions::publish($row);
            AuditTrail::record(AuditAction::LookPublished, "“{$look->name}”", ['key' => $key]);
            $this->catalogue->forget();

            return $row->refresh();
        });
    }

    /** @throws Refused where it is the one that visitors get */
    public function remove(string $key): void
    {
        if ($key === $this->liveKey()) {
            throw Refused::because('key', ProblemCode::WrongValue, 'This look is live; make another one live first.');
        }
        self::rows()->where('key', $key)->delete();
    }

    /** The number of live pages with the look. */
    public function pages(): int
    {
        return Page::query()->whereNotNull('live')->whereNull('removed_at')->count();
    }

    /** @return list<array{key: string, label: string}> the live modules that depart from the look */
    public function departing(): array
    {
        $named = [];
        foreach (Module::query()->whereRaw("live->'look' is not null")->orderBy('key')->get() as $row) {
            $name = $row->live['name'] ?? $row->key;
            $named[] = ['key' => $row->key, 'label' => is_string($name) ? $name : $row->key];
        }

        return $named;
    }

    /** @return Builder<SiteDefinition> */
    private static function rows(): Builder
    {
        return SiteDefinition::query()->where('kind', self::KIND);
    }
}
