<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Pages;

use App\Http\OpenApi\DefinitionSchemas;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\SaveDraftRequest;
use App\Http\Resources\Standing;
use App\Models\SiteDefinition;
use App\Pages\PageQuery;
use App\Pages\SiteDefinitionStore;
use App\Pages\StoredPage;
use OpenApi\Attributes as OA;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Menu\MenuReader;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * The site's menus.
 *
 * @phpstan-import-type MenuFileShape from DefinitionSchemas
 *
 * @phpstan-type MenuSummaryShape array{key: string, entries: int, live: bool, changed: bool}
 * @phpstan-type MenuWholeShape array{
 *     key: string, definition: MenuFileShape, revision: int, savedAt: string, live: bool, changed: bool,
 *     publishedAt: string|null,
 * }
 */
final readonly class MenuController
{
    public function __construct(private SiteDefinitionStore $frames, private PageQuery $pages)
    {
    }

    /** @return list<MenuSummaryShape> the main one first, also while nobody has changed it */
    public function index(): array
    {
        $rows = $this->frames->menus()->keyBy('key');
        $keys = array_values(array_unique([SiteDefinitionStore::MAIN, ...$rows->keys()->map(strval(...))->all()]));

        return array_map(function (string $key) use ($rows): array {
            $row = $rows->get($key);

            return [
                'key' => $key,
                'entries' => count((array) ($this->definition($key, $row)['entries'] ?? [])),
                'live' => $row?->live !== null,
                'changed' => $row !== null && $row->draft !== $row->live,
            ];
        }, $keys);
    }

    /** @return MenuWholeShape one that is not there yet is empty; the main one begins as visitors have it */
    public function show(string $key): array
    {
        $row = $this->frames->menu($key);
        if ($row === null && preg_match(Module::KEY, $key) !== 1) {
            abort(404, "“{$key}” is no key of a menu.");
        }

        return [
            'key' => $key,
            'definition' => $this->definition($key, $row),
            'revision' => $row === null ? 0 : $row->revision,
            'savedAt' => Iso8601::format($row === null ? now()->toImmutable() : $row->updated_at),
        ] + ($row === null ? Standing::untouched($key === SiteDefinitionStore::MAIN) : Standing::of($row));
    }

    /** @return array{revision: int, savedAt: string} */
    #[OA\Response(response: 409, description: 'Somebody else saved it meanwhile.', content: new OA\MediaType(
        'application/json',
        new OA\Schema(ref: '#/components/schemas/Conflict'),
    ))]
    public function saveDraft(SaveDraftRequest $request, string $key): array
    {
        $menu = $this->frames->readMenu($request->definition());
        if ($menu->key !== $key) {
            throw Refused::because('key', ProblemCode::WrongValue, "expected “{$key}”; a menu keeps its key.");
        }
        $row = $this->frames->save($menu, (int) $request->validated()['revision']);

        return ['revision' => $row->revision, 'savedAt' => Iso8601::format($row->updated_at)];
    }

    /** @return MenuWholeShape */
    public function publish(RevisionRequest $request, string $key): array
    {
        $row = $this->frames->menu($key);
        $row === null
            ? $this->frames->publish($this->frames->apply($this->frames->readMenu($this->show($key)['definition'])))
            : $this->frames->publish($row, $request->seen());

        return $this->show($key);
    }

    /** @return MenuFileShape as a file holds it; as it is stored where it can no longer be read */
    private function definition(string $key, ?SiteDefinition $row): array
    {
        if ($row === null) {
            $pages = $key === SiteDefinitionStore::MAIN ? $this->pages->inMenus() : [];

            return ['format' => MenuReader::FORMAT, 'key' => $key, 'entries' => array_map(
                fn (StoredPage $page): array => ['page' => $page->definition->key],
                $pages,
            )];
        }
        try {
            return $this->frames->readMenu($row->draft)->toArray();
        } catch (Refused) {
            return ['entries' => []] + $row->draft;
        }
    }
}
