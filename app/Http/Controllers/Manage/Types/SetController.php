<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Types;

use App\Http\Requests\Types\SetRequest;
use App\Sets\ReadySet;
use App\Sets\SetApplier;
use App\Sets\SetPart;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Ready-made sets: those that come with Wellspring, and those in a zip file.
 *
 * @phpstan-type SetContentsShape array{name: string, about: string, parts: list<SetPart>}
 */
final readonly class SetController
{
    public function __construct(private SetApplier $applier)
    {
    }

    /** @return list<array{key: string, name: string, about: string}> */
    public function index(): array
    {
        $sets = [];
        foreach ([database_path('demo'), ...glob(database_path('sets/*'), GLOB_ONLYDIR) ?: []] as $folder) {
            $set = ReadySet::fromFolder($folder);
            $sets[] = ['key' => basename($folder), 'name' => $set->name, 'about' => $set->about];
        }

        return $sets;
    }

    public function file(string $key): Response
    {
        return new Response(
            $this->shipped($key)->toZip(),
            200,
            ['Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"{$key}.zip\""],
        );
    }

    /** @return SetContentsShape */
    public function inspect(SetRequest $request): array
    {
        $set = $this->given($request);

        return ['name' => $set->name, 'about' => $set->about, 'parts' => $this->applier->look($set)];
    }

    /** @return array{parts: list<SetPart>} */
    public function apply(SetRequest $request): array
    {
        return ['parts' => $this->applier->apply($this->given($request))];
    }

    private function given(Request $request): ReadySet
    {
        $file = $request->file('file');
        if ($file instanceof UploadedFile && $file->isValid()) {
            return ReadySet::fromZip((string) $file->getRealPath());
        }
        $key = $request->input('shipped');

        return is_string($key)
            ? $this->shipped($key)
            : throw Refused::because('file', ProblemCode::Missing, 'expected a zip file with a set.');
    }

    private function shipped(string $key): ReadySet
    {
        $folder = database_path($key === 'demo' ? 'demo' : "sets/{$key}");
        abort_unless(
            preg_match('/^[a-z][a-z0-9-]*$/D', $key) === 1 && is_dir($folder),
            404,
            "There is no set “{$key}”.",
        );

        return ReadySet::fromFolder($folder);
    }
}
