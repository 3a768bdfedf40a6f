<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Content\ItemWriter;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\History\UndoHandler;
use App\Media\MediaUse;
use App\Models\Change;
use App\Models\Item;
use App\Models\Media;
use App\Models\Module;
use App\Models\Page;
use App\Models\User;
use App\Modules\LiveModulesChanged;
use App\Site\ModulePlaces;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Removes what the demo site made, as one change that can be undone. What was changed since, or is used by what is not
 * of the demo, stays. Files leave the library; their data stay on the disk, so that they can return.
 */
final readonly class DemoRemoval implements UndoHandler
{
    private const TABLES = [
        'page' => 'pages', 'module' => 'modules', 'item' => 'items', 'user' => 'users', 'media' => 'media',
    ];

    public function __construct(private ItemWriter $writer, private MediaUse $use, private ModulePlaces $places)
    {
    }

    public function kind(): string
    {
        return 'demo';
    }

    /** Notes the present state of all that there is as made by the demo. */
    public static function note(): void
    {
        foreach (self::TABLES as $kind => $table) {
            $revision = in_array($kind, ['page', 'module', 'item'], true) ? 'revision' : 'null';
            DB::statement(
                "insert into demo_records (kind, record_id, revision) select '{$kind}', id, {$revision} from {$table}",
            );
        }
    }

    /** @return int how many things of the demo there are */
    public static function left(): int
    {
        return DB::table('demo_records')->count();
    }

    /**
     * @return array{change: int, removed: int, left: list<string>} what stays, with the reason
     *
     * @throws Refused where nothing of the demo is there
     */
    public function remove(): array
    {
        $left = [];
        $data = [];
        $removed = 0;
        if (self::left() === 0) {
            throw Refused::because('', ProblemCode::Unknown, 'Nothing of the demo is here.');
        }
        $change = RevisionRecorder::change('demo', 'Removed the demo', 'removed', function (
            RevisionRecorder $recorder,
            Change $change,
        ) use (&$left, &$data, &$removed): void {
            $records = DB::table('demo_records')->get();
            [$left, $data] = [[], ['records' => $records->map(fn ($row): array => (array) $row)->all()]];
            $data['pages'] = $this->pages($left);
            $data['modules'] = $this->modules($left);
            $items = $this->items($left, $recorder);
            $data['media'] = $this->media($left);
            $data['people'] = $this->people($left);
            $removed = count($data['pages']) + count($data['modules']) + $items + count($data['media'])
                + count($data['people']);
            DB::table('demo_records')->delete();
            AuditTrail::record(AuditAction::DemoRemoved, '', ['change' => $change->id, 'removed' => $removed]);
            $change->data = $data;
            $change->save();
            event(new LiveModulesChanged);
        });
        $this->places->forget();

        return ['change' => $change->id, 'removed' => $removed, 'left' => $left];
    }

    public function undo(Change $change, RevisionRecorder $recorder): int
    {
        $data = $change->data;
        $ids = fn (string $key): array => array_values(array_filter((array) ($data[$key] ?? []), is_int(...)));
        Page::query()->whereKey($ids('pages'))->update(['removed_at' => null]);
        Module::query()->whereKey($ids('modules'))->update(['removed_at' => null]);
        User::query()->whereKey($ids('people'))->update(['active' => true]);
        $media = array_filter((array) ($data['media'] ?? []), is_array(...));
        foreach ($media as $row) {
            DB::table('media')->insertOrIgnore($row);
        }
        foreach (array_chunk(array_filter((array) ($data['records'] ?? []), is_array(...)), 500) as $rows) {
            DB::table('demo_records')->insertOrIgnore($rows);
        }
        event(new LiveModulesChanged);

        return count($ids('pages')) + count($ids('modules')) + count($ids('people')) + count($media);
    }

    /**
     * @param  list<string>  $left
     * @return list<int>
     */
    private function pages(array &$left): array
    {
        $removed = [];
        foreach (Page::query()->whereNull('removed_at')->orderBy('id')->get() as $page) {
            $made = self::revision('page', $page->id);
            if ($made === $page->revision) {
                $page->fill(['removed_at' => now()])->save();
                $removed[] = $page->id;
            } elseif ($made !== null) {
                $left[] = "The page “{$page->title}” was changed.";
            }
        }

        return $removed;
    }

    /**
     * @param  list<string>  $left
     * @return list<int>
     */
    private function modules(array &$left): array
    {
        $removed = [];
        $this->places->forget();
        foreach (Module::query()->whereNull('removed_at')->orderBy('id')->get() as $module) {
            $made = self::revision('module', $module->id);
            $places = array_filter($this->places->of($module->key), fn (array $one): bool => $one['how'] !== 'instead');
            if ($made === $module->revision && $places === []) {
                $module->fill(['removed_at' => now()])->save();
                $removed[] = $module->id;
            } elseif ($made !== null) {
                $left[] = "The module {$module->quotedName()} ".(
                    $places === [] ? 'was changed.' : 'stands '.array_values($places)[0]['words'].'.'
                );
            }
        }

        return $removed;
    }

    /** @param  list<string>  $left */
    private function items(array &$left, RevisionRecorder $recorder): int
    {
        $linked = DB::table('item_links')
            ->whereNotIn('item_id', DB::table('demo_records')->where('kind', 'item')->select('record_id'))
            ->whereNotNull('target_id')->pluck('target_id')->flip();
        $made = DB::table('demo_records')->where('kind', 'item')->pluck('revision', 'record_id');
        $count = 0;
        foreach (Item::query()->whereKey($made->keys())->orderBy('id')->get()->groupBy('type_key') as $items) {
            $gone = [];
            foreach ($items as $item) {
                if ((int) $made[$item->id] !== $item->revision) {
                    $left[] = "“{$item->title}” was changed.";
                } elseif ($linked->has($item->id)) {
                    $left[] = "“{$item->title}” is named by an item of yours.";
                } else {
                    $gone[] = $item;
                }
            }
            $this->writer->remove($gone, $recorder);
            $count += count($gone);
        }

        return $count;
    }

    /**
     * @param  list<string>  $left
     * @return list<array<string, mixed>> rows
     */
    private function media(array &$left): array
    {
        $rows = Media::query()->whereIn('id', DB::table('demo_records')->where('kind', 'media')->select('record_id'))
            ->orderBy('id')->get();
        $removed = [];
        foreach ($rows->chunk(200) as $some) {
            $uses = $this->use->of(array_values($some->pluck('name')->map(strval(...))->all()));
            foreach ($some as $file) {
                if (($uses[$file->name] ?? []) !== []) {
                    $left[] = "The file “{$file->name}” is used by “{$uses[$file->name][0]['title']}”.";
                } else {
                    $removed[] = (array) DB::table('media')->where('id', $file->id)->first();
                    $file->delete();
                }
            }
        }

        return $removed;
    }

    /**
     * @param  list<string>  $left
     * @return list<int>
     */
    private function people(array &$left): array
    {
        $demo = DB::table('demo_records')->where('kind', 'user')->pluck('record_id')->map(intval(...))->all();
        $isOther = User::query()->where('role', 'manager')->where('active', true)->whereNotIn('id', $demo)->exists();
        $removed = [];
        foreach (User::query()->whereKey($demo)->where('active', true)->orderBy('id')->get() as $person) {
            $why = match (true) {
                $person->id === Actor::id() => 'is you.',
                $person->isManager() && ! $isOther => 'is the last manager.',
                Item::query()->where('author_id', $person->id)->exists() => 'wrote items that stay.',
                default => null,
            };
            if ($why === null) {
                $person->update(['active' => false]);
                $removed[] = $person->id;
            } else {
                $left[] = "{$person->name} {$why}";
            }
        }

        return $removed;
    }

    /** @return int|null the revision in which the demo made it; null where it is not of the demo */
    private static function revision(string $kind, int $id): ?int
    {
        $revision = DB::table('demo_records')->where('kind', $kind)->where('record_id', $id)->value('revision');

        return is_numeric($revision) ? (int) $revision : null;
    }
}
