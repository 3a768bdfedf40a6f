<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Catalogue\CatalogueStore;
use App\Content\TypeChange;
use App\Content\TypeEffect;
use App\Content\TypeWriter;
use App\Models\ContentType;
use App\Models\Item;
use App\Tasks\Tasks;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Kinds;
use Wellspring\Core\Content\Limit;
use Wellspring\Core\Content\Type;

/** Content types: what they are, what a change of one would do, the change itself, and their files. */
final readonly class TypeController
{
    public function __construct(private CatalogueStore $store, private TypeWriter $writer)
    {
    }

    /** @return array<string, mixed> */
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

    /** @return array{file: array<string, mixed>, items: int} */
    public function show(string $key): array
    {
        $type = $this->type($key);

        return ['file' => TypeFile::write($type), 'items' => Item::query()->where('type_key', $key)->count()];
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

    /** @return array{effects: list<array{field: string, message: string, count: int, loses: bool}>} */
    public function look(Request $request): array
    {
        return ['effects' => array_map(
            fn (TypeEffect $effect): array => [
                'field' => $effect->field,
                'message' => $effect->message,
                'count' => $effect->count,
                'loses' => $effect->loses,
            ],
            $this->writer->look($request->json()->all()['file'] ?? null, $this->renamed($request)),
        )];
    }

    /** Answers the key and the change; where many items are rewritten, the task that does so. */
    public function save(Request $request, Tasks $tasks): JsonResponse
    {
        $file = $request->json()->all()['file'] ?? null;
        $renamed = $this->renamed($request);
        $input = ['file' => $file, 'renamed' => $renamed, 'withLoss' => $request->boolean('withLoss')];
        $title = is_array($file) && is_string($file['title'] ?? null) ? $file['title'] : '';

        return $tasks->run(
            TypeChange::class,
            "Change the type {$title}",
            $input,
            $this->writer->size($file, $renamed),
        );
    }

    public function remove(string $key): JsonResponse
    {
        $this->type($key);
        $this->writer->remove($key);

        return new JsonResponse(['removed' => $key]);
    }

    /** @return array{ordered: true} */
    public function order(Request $request): array
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
