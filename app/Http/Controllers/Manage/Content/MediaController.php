<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Content;

use App\Content\StaleWrite;
use App\Http\Created;
use App\Http\Requests\Media\DescribeMediaRequest;
use App\Http\Requests\Media\MediaTableRequest;
use App\Http\Requests\Media\UploadMediaRequest;
use App\Http\RequestText;
use App\Media\DrawUpload;
use App\Media\MediaStore;
use App\Media\MediaUse;
use App\Models\Media;
use App\Models\User;
use App\Tasks\TaskAnswer;
use App\Tasks\Tasks;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Time\Iso8601;

/**
 * Pictures and files: the table with the uses of each, uploads, descriptions and removals.
 *
 * @phpstan-import-type MediaShape from Media
 *
 * @phpstan-type MediaRowShape array{
 *     id: int, name: string, kind: 'picture'|'video'|'file', title: string, url: string, small: string,
 *     width: int|null, height: int|null, bytes: int, alt: string, focus: array{float, float}, revision: int,
 *     at: string,
 *     used: list<array{title: string, link: string|null}>,
 * }
 * @phpstan-type MediaPageShape array{total: int, pages: int, page: int, media: list<MediaRowShape>}
 */
final readonly class MediaController
{
    private const ON_PAGE = 40;

    public function __construct(private MediaStore $store, private MediaUse $use, private Tasks $tasks)
    {
    }

    /** @return MediaPageShape */
    public function index(MediaTableRequest $request): array
    {
        $given = $request->validated();
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
            'media' => array_map(
                fn (Media $media): array => $media->about() + [
                    'at' => Iso8601::format($media->created_at),
                    'used' => $uses[$media->name],
                ],
                array_values($found->all()),
            ),
        ];
    }

    /** @return Created<MediaShape>|TaskAnswer<MediaShape> */
    public function store(UploadMediaRequest $request): Created|TaskAnswer
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw Refused::because('file', ProblemCode::Missing, 'expected a file of at most 60 MB.');
        }
        $name = mb_scrub($file->getClientOriginalName());
        $alt = RequestText::text($request, 'alt', 300);
        $pixels = MediaStore::pixels((string) $file->getRealPath());
        if (
            $pixels > config()->integer('site.media.pixels_in_request')
            && $pixels <= config()->integer('site.media.max_pixels')
        ) {
            $kept = (string) Storage::disk('imports')->putFile('uploads', $file);

            /** @var TaskAnswer<MediaShape> $answer */
            $answer = $this->tasks->beside(
                DrawUpload::class,
                "Take in {$name}",
                ['file' => $kept, 'name' => $name, 'alt' => $alt],
                1,
            );

            return $answer;
        }
        $media = $this->store->take((string) $file->getRealPath(), $name, $alt);

        return new Created($media->about());
    }

    /**
     * @return MediaShape
     *
     * @throws StaleWrite with the file as it is now
     */
    public function update(DescribeMediaRequest $request, Media $media): array
    {
        $given = $request->validated();
        [$x, $y] = array_map(floatval(...), array_values($given['focus']));

        return $this->store
            ->describe($media, Whitespace::trim($given['alt'] ?? ''), $x, $y, $request->revision(true))
            ->about();
    }

    /** @return array{removed: int} */
    public function remove(Request $request, Media $media): array
    {
        $who = $request->user();
        $uses = $this->use->of([$media->name], $who instanceof User ? $who : null)[$media->name];
        if ($uses !== []) {
            throw Refused::because(
                '',
                ProblemCode::InUse,
                'it is used by '.implode(
                    ', ',
                    array_map(fn (array $use): string => "“{$use['title']}”", array_slice($uses, 0, 5)),
                ).(count($uses) > 5 ? ' and '.(count($uses) - 5).' more' : '').'. Take it out there first.',
            );
        }
        $this->store->remove($media);

        return ['removed' => $media->id];
    }
}
