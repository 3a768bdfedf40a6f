<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Http\RequestText;
use App\Media\DrawUpload;
use App\Media\MediaStore;
use App\Media\MediaUse;
use App\Models\Media;
use App\Models\User;
use App\Tasks\Tasks;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Time\Iso8601;

/** Pictures and files: as a table with where each is used, taken in, described, removed. */
final readonly class MediaController
{
    private const ON_PAGE = 40;

    public function __construct(private MediaStore $store, private MediaUse $use, private Tasks $tasks)
    {
    }

    /** @return array<string, mixed> */
    public function index(Request $request): array
    {
        $given = $request->validate([
            'q' => ['nullable', 'string', 'max:200'],
            'kind' => ['nullable', 'in:picture,video,file'],
            'alt' => ['nullable', 'in:missing'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ]);
        $words = mb_strtolower(RequestText::text($request, 'q'));
        $query = Media::query()
            ->when(
                $words !== '',
                fn ($query) => $query->mentioning($words),
            )
            ->when($given['kind'] ?? null, fn ($query, string $kind) => $query->where('kind', $kind))
            ->when($given['alt'] ?? null, fn ($query) => $query->where('kind', 'picture')->where('alt', ''));
        $total = (clone $query)->count();
        $page = (int) ($given['page'] ?? 1);
        $found = $query->latest('id')->forPage($page, self::ON_PAGE)->get();
        $who = $request->user();
        $uses = $this->use->of(array_values($found->pluck('name')->all()), $who instanceof User ? $who : null);

        return [
            'total' => $total,
            'pages' => max(1, (int) ceil($total / self::ON_PAGE)),
            'page' => $page,
            'media' => $found->map(
                fn (Media $media): array => $media->about() + [
                    'at' => Iso8601::format($media->created_at),
                    'used' => $uses[$media->name],
                ],
            )->all(),
        ];
    }

    public function store(Request $request): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw Refused::because('file', 'missing', 'expected a file of at most 60 MB.');
        }
        $name = mb_scrub($file->getClientOriginalName());
        $alt = RequestText::text($request, 'alt', 300);
        $pixels = MediaStore::pixels((string) $file->getRealPath());
        if (
            $pixels > config()->integer('site.media.pixels_in_request')
            && $pixels <= config()->integer('site.media.max_pixels')
        ) {
            $kept = (string) Storage::disk('imports')->putFile('uploads', $file);

            return $this->tasks->beside(
                DrawUpload::class,
                "Take in {$name}",
                ['file' => $kept, 'name' => $name, 'alt' => $alt],
                1,
            );
        }
        $media = $this->store->take((string) $file->getRealPath(), $name, $alt);

        return new JsonResponse($media->about(), 201);
    }

    /** @return array<string, mixed> */
    public function update(Request $request, Media $media): array
    {
        $given = $request->validate([
            'alt' => ['present', 'nullable', 'string', 'max:300'],
            'focus' => ['required', 'array', 'size:2'],
            'focus.*' => ['numeric', 'min:0', 'max:1'],
        ]);
        $media->update([
            'alt' => Whitespace::trim($given['alt'] ?? ''),
            'focus_x' => (float) $given['focus'][0],
            'focus_y' => (float) $given['focus'][1],
        ]);

        return $media->about();
    }

    public function remove(Request $request, Media $media): JsonResponse
    {
        $who = $request->user();
        $uses = $this->use->of([$media->name], $who instanceof User ? $who : null)[$media->name];
        if ($uses !== []) {
            throw Refused::because(
                '',
                'inUse',
                'it is used by '.implode(
                    ', ',
                    array_map(fn (array $use): string => "“{$use['title']}”", array_slice($uses, 0, 5)),
                ).(count($uses) > 5 ? ' and '.(count($uses) - 5).' more' : '').'. Take it out there first.',
            );
        }
        $this->store->remove($media);

        return new JsonResponse(['removed' => $media->id]);
    }
}
