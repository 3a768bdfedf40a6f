<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Http\Created;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\PreviewContext;
use App\Http\Requests\Look\CreateLookRequest;
use App\Http\Requests\Look\LookPreviewRequest;
use App\Http\Requests\Look\MeasureLookRequest;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\SaveDraftRequest;
use App\Look\LookPlate;
use App\Look\LookSheets;
use App\Look\LookStore;
use App\Look\OwnStyles;
use App\Site\Address\AddressAnswers;
use OpenApi\Attributes as OA;
use Wellspring\Core\Look\Contrasts;
use Wellspring\Core\Look\DesignTokens;
use Wellspring\Core\Look\Look;
use Wellspring\Core\Look\LookOptions;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Look\Role;
use Wellspring\Core\Look\ShippedLooks;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * The looks of the site: all stored looks, and the live one.
 *
 * @phpstan-import-type ContrastShape from Contrasts
 * @phpstan-import-type LookFileShape from DefinitionSchemas
 * @phpstan-import-type NamedShape from StartController
 * @phpstan-import-type OptionShape from Option
 *
 * @phpstan-type LookNameShape array{key: string, name: string, live: bool, ships: bool}
 * @phpstan-type LookGroupShape array{key: string, options: list<OptionShape>}
 * @phpstan-type LooksShape array{looks: list<LookNameShape>, groups: list<LookGroupShape>, roles: list<NamedShape>}
 * @phpstan-type LookWholeShape array{
 *     key: string, definition: LookFileShape, revision: int, savedAt: string, live: bool, changed: bool,
 *     publishedAt: string|null,
 * }
 * @phpstan-type LookMeasureShape array{
 *     sheet: string, plate: string, light: list<ContrastShape>, dark: list<ContrastShape>, pages: int,
 *     departing: list<NamedShape>, cssFault: string|null,
 * }
 */
final readonly class LookController
{
    public function __construct(
        private LookStore $looks,
        private LookSheets $sheets,
        private PreviewContext $preview,
        private AddressAnswers $answers,
        private OwnStyles $own,
        private LookPlate $plate,
    ) {
    }

    /** @return LooksShape */
    public function index(): array
    {
        $live = $this->looks->liveKey();
        $ships = ShippedLooks::all();

        return [
            'looks' => array_values(array_map(fn (Look $look): array => [
                'key' => $look->key,
                'name' => $look->name,
                'live' => $look->key === $live,
                'ships' => isset($ships[$look->key]),
            ], $this->looks->all())),
            'groups' => array_map(fn (string $group, array $options): array => [
                'key' => $group,
                'options' => array_map(fn (Option $option): array => $option->describe(), $options),
            ], array_keys(LookOptions::all()), array_values(LookOptions::all())),
            'roles' => array_map(
                fn (Role $role): array => ['key' => $role->value, 'label' => $role->words()],
                Role::cases(),
            ),
        ];
    }

    /** @return LookWholeShape */
    public function show(string $key): array
    {
        $look = $this->find($key);
        $row = $this->looks->row($key);
        $isLive = $this->looks->liveKey() === $key;

        return [
            'key' => $key,
            'definition' => $look->toArray(),
            'revision' => $row === null ? 0 : $row->revision,
            'savedAt' => Iso8601::format($row === null ? now()->toImmutable() : $row->updated_at),
            'live' => $isLive,
            'changed' => $isLive && $row !== null && $row->draft !== $row->live,
            'publishedAt' => $isLive && $row?->published_at !== null ? Iso8601::format($row->published_at) : null,
        ];
    }

    /**
     * A new look: a copy of another one, or one made from design tokens.
     *
     * @return Created<LookWholeShape>
     */
    public function store(CreateLookRequest $request): Created
    {
        $given = $request->validated();
        $all = $this->looks->all();
        $from = $all[(string) ($given['from'] ?? ShippedLooks::FIRST)] ?? ShippedLooks::first();
        $definition = isset($given['tokens']) ? DesignTokens::definition($given['tokens'], $from) : $from->toArray();
        $name = trim((string) $given['name']);
        $key = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($name)), '-') ?: 'look';
        $free = $key;
        for ($n = 2; isset($all[$free]); $n++) {
            $free = "{$key}-{$n}";
        }
        $this->looks->save(LookReader::read(['key' => $free, 'name' => $name] + $definition), 0);

        return new Created($this->show($free));
    }

    /** @return LookMeasureShape every text on every ground, and what the look changes */
    public function measure(MeasureLookRequest $request): array
    {
        $look = LookReader::read($request->definition());

        return [
            'sheet' => $this->sheets->address($look),
            'plate' => $this->plate->html($look, $request->boolean('dark')),
            'light' => Contrasts::of($look, $look->colours),
            'dark' => $look->dark === null ? [] : Contrasts::of($look, $look->dark),
            'pages' => $this->looks->pages(),
            'departing' => $this->looks->departing(),
            'cssFault' => $look->css === '' ? null : $this->own->fault($look->css),
        ];
    }

    /**
     * A page of the site in an unsaved look.
     *
     * @return array{html: string}
     */
    public function preview(LookPreviewRequest $request): array
    {
        $look = LookReader::read($request->definition());
        $address = (string) $request->validated()['address'];
        $answer = $this->answers->find($address, $this->preview->of($request));
        abort_if($answer->page === null, 404, "No page has the address {$address}.");

        return ['html' => view('site.page', ['result' => $answer->page, 'look' => $look])->render()];
    }

    /** @return array{revision: int, savedAt: string} */
    #[OA\Response(response: 409, description: 'Somebody else saved it meanwhile.', content: new OA\MediaType(
        'application/json',
        new OA\Schema(ref: '#/components/schemas/Conflict'),
    ))]
    public function saveDraft(SaveDraftRequest $request, string $key): array
    {
        $look = LookReader::read($request->definition());
        if ($look->key !== $key) {
            throw Refused::because('key', ProblemCode::WrongValue, "expected “{$key}”: a look keeps its key.");
        }
        $row = $this->looks->save($look, (int) $request->validated()['revision']);

        return ['revision' => $row->revision, 'savedAt' => Iso8601::format($row->updated_at)];
    }

    /** @return LookWholeShape */
    public function publish(RevisionRequest $request, string $key): array
    {
        $this->looks->publish($key, $request->seen());

        return $this->show($key);
    }

    /** @return array{removed: bool} */
    public function remove(string $key): array
    {
        $this->looks->remove($key);

        return ['removed' => true];
    }

    /** @return array<string, mixed> design tokens, in the format of the W3C's community group */
    public function tokens(string $key): array
    {
        return DesignTokens::of($this->find($key));
    }

    private function find(string $key): Look
    {
        return $this->looks->all()[$key] ?? abort(404, "There is no look “{$key}”.");
    }
}
