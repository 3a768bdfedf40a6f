<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Types;

use App\Catalogue\CatalogueStore;
use App\Content\Types\TypeChange;
use App\Content\Types\TypeEffect;
use App\Content\Types\TypeWriter;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\Requests\Types\OrderTypesRequest;
use App\Http\Requests\Types\SaveTypeRequest;
use App\Http\Resources\FormDraftResource;
use App\Models\ContentType;
use App\Models\Item;
use App\Tasks\TaskAnswer;
use App\Tasks\Tasks;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Kinds;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Type;

/**
 * Content types: their definitions, the effects of a change, the change itself, and their files.
 *
 * @phpstan-import-type TypeFileShape from DefinitionSchemas
 * @phpstan-import-type FormDraftShape from FormDraftResource
 *
 * @phpstan-type TypeRowShape array{
 *     key: string, label: string, plural: string, address: string, items: int, fields: list<string>,
 * }
 * @phpstan-type TypesShape array{
 *     types: list<TypeRowShape>, kinds: list<array{key: string, words: string, limits: list<string>}>,
 * }
 */
final readonly class TypeController
{
    public function __construct(
        private CatalogueStore $store,
        private TypeWriter $writer,
        private FormDraftResource $drafts,
    ) {
    }

    /** @return TypesShape */
    public function index(): array
    {
        $items = ContentType::query()->withCount('items')->pluck('items_count', 'key');

        return [
            'types' => array_map(fn (Type $type): array => [
                'key' => $type->key,
                'label' => $type->label,
                'plural' => $type->plural,
                'address' => $type->address,
                'items' => (int) ($items[$type->key] ?? 0),
                'fields' => array_map(fn ($field): string => $field->label, array_values($type->fields)),
            ], array_values($this->store->catalogue()->types)),
            'kinds' => array_map(fn (Kind $kind): array => [
                'key' => $kind->key(),
                'words' => $kind->words(),
                'limits' => array_map(fn (Limit $limit): string => $limit->value, $kind->limits()),
            ], array_values(Kinds::all())),
        ];
    }

    /** @return array{file: TypeFileShape, items: int, revision: int, draft: FormDraftShape|null} */
    public function show(Request $request, string $key): array
    {
        $type = $this->type($key);

        return [
            'file' => TypeFile::write($type),
            'items' => Item::query()->where('type_key', $key)->count(),
            'revision' => (int) $this->store->revisionOf($type),
            'draft' => $this->drafts->of($request, "type:{$key}"),
        ];
    }

    public function file(string $key): Response
    {
        return new Response(
            json_encode(
                TypeFile::write($this->type($key)),
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            )."\n",
            200,
            [
                'Content-Type' => 'application/schema+json',
                'Content-Disposition' => "attachment; filename=\"{$key}.type.json\"",
            ],
        );
    }

    /** @return array{effects: list<TypeEffect>} */
    public function effects(SaveTypeRequest $request): array
    {
        return ['effects' => $this->writer->look(
            $request->json()->all()['file'] ?? null,
            $this->renamed($request),
        )];
    }

    /** @return TaskAnswer<array{key: string, change: int|null}> */
    public function save(SaveTypeRequest $request, Tasks $tasks): TaskAnswer
    {
        $file = $request->json()->all()['file'] ?? null;
        $renamed = $this->renamed($request);
        $key = is_array($file) ? $file['x-wellspring']['key'] ?? null : null;
        $exists = is_string($key) && $this->store->catalogue()->type($key) !== null;
        $input = [
            'file' => $file,
            'renamed' => $renamed,
            'withLoss' => $request->boolean('withLoss'),
            'revision' => $request->revision($exists),
        ];
        $title = is_array($file) && is_string($file['title'] ?? null) ? $file['title'] : '';

        return $tasks->run(
            TypeChange::class,
            "Change the type {$title}",
            $input,
            $this->writer->size($file, $renamed),
        );
    }

    /** @return array{removed: string} */
    public function remove(string $key): array
    {
        $this->type($key);
        $this->writer->remove($key);

        return ['removed' => $key];
    }

    /** @return array{ordered: true} */
    public function order(OrderTypesRequest $request): array
    {
        foreach (array_values((array) $request->json('keys')) as $position => $key) {
            ContentType::query()->where('key', is_string($key) ? $key : '')->update(['position' => $position]);
        }

        return ['ordered' => true];
    }

    /** @return array<string, string> */
    private function renamed(Request $request): array
    {
        $renamed = [];
        foreach ((array) $request->json('renamed') as $old => $new) {
            if (is_string($new) && (string) $old !== $new) {
                $renamed[(string) $old] = $new;
            }
        }

        return $renamed;
    }

    private function type(string $key): Type
    {
        return $this->store->catalogue()->type($key) ?? abort(404, "There is no content type “{$key}”.");
    }
}
