<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Http\Asked;
use App\Media\MediaStore;
use App\Media\MediaUse;
use App\Models\Media;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Problem\Refused;

/** Pictures and files: as a table with where each is used, taken in, described, removed. */
final readonly class MediaController
{
    private const ON_PAGE = 40;

    public function __construct(private MediaStore $store, private MediaUse $use)
    {
    }

    /** @return array<string, mixed> */
    public function index(Request $request): array
    {
        $given = $request->validate(['q' => ['nullable', 'string', 'max:200'], 'kind' => ['nullable', 'in:picture,video,file'], 'alt' => ['nullable', 'in:missing'], 'page' => ['nullable', 'integer', 'min:1', 'max:100000']]);
        $words = mb_strtolower(Asked::text($request, 'q'));
        $query = Media::query()
            ->when($words !== '', fn ($query) => $query->whereRaw('(strpos(name, ?) > 0 or strpos(lower(title), ?) > 0 or strpos(lower(alt), ?) > 0)', [$words, $words, $words]))
            ->when($given['kind'] ?? null, fn ($query, string $kind) => $query->where('kind', $kind))
            ->when($given['alt'] ?? null, fn ($query) => $query->where('kind', 'picture')->where('alt', ''));
        $total = (clone $query)->count();
        $page = (int) ($given['page'] ?? 1);
        $found = $query->latest('id')->forPage($page, self::ON_PAGE)->get();
        $uses = $this->use->of(array_values($found->pluck('name')->all()));

        return [
            'total' => $total,
            'pages' => max(1, (int) ceil($total / self::ON_PAGE)),
            'page' => $page,
            'media' => $found->map(fn (Media $media): array => ItemShape::file($media) + ['at' => Instant::write($media->created_at), 'used' => $uses[$media->name]])->all(),
        ];
    }

    public function store(Request $request): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw Refused::because('file', 'missing', 'expected a file of at most 60 MB.');
        }
        $media = $this->store->take((string) $file->getRealPath(), $file->getClientOriginalName(), Asked::text($request, 'alt', 300));

        return new JsonResponse(ItemShape::file($media), 201);
    }

    /** @return array<string, mixed> */
    public function update(Request $request, int $id): array
    {
        $given = $request->validate(['alt' => ['present', 'nullable', 'string', 'max:300'], 'focus' => ['required', 'array', 'size:2'], 'focus.*' => ['numeric', 'min:0', 'max:1']]);
        $media = $this->own($request, $id);
        $media->update(['alt' => trim($given['alt'] ?? ''), 'focus_x' => (float) $given['focus'][0], 'focus_y' => (float) $given['focus'][1]]);

        return ItemShape::file($media);
    }

    public function remove(Request $request, int $id): JsonResponse
    {
        $media = $this->own($request, $id);
        $uses = $this->use->of([$media->name])[$media->name];
        if ($uses !== []) {
            throw Refused::because('', 'inUse', 'it is used by '.implode(', ', array_map(fn (array $use): string => "“{$use['title']}”", array_slice($uses, 0, 5))).(count($uses) > 5 ? ' and '.(count($uses) - 5).' more' : '').'. Take it out there first.');
        }
        $this->store->remove($media);

        return new JsonResponse(['removed' => $id]);
    }

    private function own(Request $request, int $id): Media
    {
        $media = Media::query()->findOrFail($id);
        $who = $request->user();
        abort_unless($who instanceof User && ($who->isManager() || $media->user_id === $who->id), 403, 'This file is someone else’s.');

        return $media;
    }
}
