<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\CatalogueStore;
use App\Content\ItemWriter;
use App\Content\Records;
use App\Media\MediaStore;
use App\Models\Item;
use App\Models\Media;
use App\Site\PageMaker;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Fold;

final readonly class ItemController
{
    private const ON_PAGE = 50;

    private const SORTS = ['title' => 'title collate wellspring_text', 'publish_at' => 'publish_at', 'updated_at' => 'updated_at'];

    public function __construct(private CatalogueStore $catalogue, private ItemWriter $writer)
    {
    }

    /** What was asked for, as text that the database takes. */
    private static function readable(string $asked): string
    {
        return trim(str_replace("\0", '', mb_scrub($asked)));
    }

    /** @return array<string, mixed> */
    public function index(Request $request): array
    {
        $given = $request->validate([
            'type' => ['required', 'string'],
            'q' => ['nullable', 'string', 'max:200'],
            'status' => ['nullable', 'in:draft,published'],
            'slugs' => ['nullable', 'string'],
            'sort' => ['nullable', 'in:'.implode(',', array_keys(self::SORTS))],
            'direction' => ['nullable', 'in:asc,desc'],
            'page' => ['nullable', 'integer', 'min:1'],
        ]);
        $type = $this->type($given['type']);
        $page = (int) ($given['page'] ?? 1);
        $query = Item::query()->where('type_key', $type->key)
            ->when($given['q'] ?? null, fn (Builder $query, string $words): Builder => $query->whereRaw("strpos(folded->>'title', ?) > 0", [Fold::of(self::readable($words))]))
            ->when($given['status'] ?? null, fn (Builder $query, string $status): Builder => $query->where('status', $status))
            ->when($given['slugs'] ?? null, fn (Builder $query, string $slugs): Builder => $query->whereIn('slug', explode(',', self::readable($slugs))));
        $total = (clone $query)->count();
        $items = $query->with(Item::whole())
            ->orderByRaw(self::SORTS[$given['sort'] ?? 'updated_at'].' '.($given['direction'] ?? 'desc').' nulls last')->orderBy('id')
            ->forPage($page, self::ON_PAGE)->get();

        return [
            'total' => $total,
            'pages' => max(1, (int) ceil($total / self::ON_PAGE)),
            'page' => $page,
            'items' => $this->all($items, $type),
        ];
    }

    /** @return array<string, mixed> */
    public function show(int $id): array
    {
        $item = Item::query()->with(Item::whole())->findOrFail($id);

        return $this->whole($item, $this->type($item->type_key));
    }

    public function store(Request $request): JsonResponse
    {
        $type = $this->type($request->string('type')->toString());
        $draft = (new ItemReader($type))->fromValues($this->values($request));
        $this->writer->check($type, $draft);

        return new JsonResponse($this->whole($this->writer->create($type, $draft)->load(Item::whole()), $type), 201);
    }

    /** @return array<string, mixed> */
    public function update(Request $request, int $id): array
    {
        $given = $request->validate(['revision' => ['required', 'integer']]);
        $item = Item::query()->with(Item::whole())->findOrFail($id);
        $type = $this->type($item->type_key);
        $draft = (new ItemReader($type))->fromValues($this->values($request), Records::values($item, $type));
        $this->writer->check($type, $draft, $item);

        return $this->whole($this->writer->update($item, $type, $draft, (int) $given['revision'])->load(Item::whole()), $type);
    }

    public function addPicture(Request $request, MediaStore $media): JsonResponse
    {
        $file = $request->file('picture');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw Refused::because('picture', 'missing', 'expected a picture of at most 15 MB.');
        }
        $picture = $media->add((string) $file->getContent(), $file->getClientOriginalName(), $request->string('alt')->limit(300, '')->toString());

        return new JsonResponse($this->picture($picture), 201);
    }

    /** @return array<string, mixed> */
    private function values(Request $request): array
    {
        $values = $request->json()->all()['values'] ?? null;

        return is_array($values) ? $values : throw Refused::because('values', 'notAnObject', 'expected an object with a value under each field’s key.');
    }

    private function type(string $key): Type
    {
        return $this->catalogue->catalogue()->type($key)
            ?? throw Refused::because('type', 'unknownType', 'expected one of '.implode(', ', array_keys($this->catalogue->catalogue()->types)).'.');
    }

    /** @return array<string, mixed> */
    private function whole(Item $item, Type $type): array
    {
        return $this->all([$item], $type)[0];
    }

    /**
     * @param  iterable<Item>  $items
     * @return list<array<string, mixed>>
     */
    private function all(iterable $items, Type $type): array
    {
        $fields = array_filter($type->fields, fn (Field $field): bool => $field->family() === Family::Picture);
        $named = [];
        foreach ($items as $item) {
            $named[$item->id] = array_filter(array_intersect_key($item->fields, $fields), is_string(...));
        }
        $names = array_merge(...array_map(array_values(...), array_values($named)));
        $pictures = [];
        foreach ($names === [] ? [] : Media::query()->whereIn('name', $names)->get() as $media) {
            $pictures[$media->name] = $this->picture($media);
        }

        $all = [];
        foreach ($items as $item) {
            $all[] = [
                'id' => $item->id,
                'type' => $item->type_key,
                'revision' => $item->revision,
                'title' => $item->title,
                'status' => $item->status,
                'values' => (object) Records::values($item, $type),
                'pictures' => (object) array_intersect_key($pictures, array_flip($named[$item->id])),
                'updatedAt' => Instant::write($item->updated_at),
                'address' => PageMaker::itemAddress($type, $item->slug),
            ];
        }

        return $all;
    }

    /** @return array<string, mixed> */
    private function picture(Media $media): array
    {
        return ['name' => $media->name, 'url' => $media->url(), 'width' => $media->width, 'height' => $media->height, 'alt' => $media->alt];
    }
}
