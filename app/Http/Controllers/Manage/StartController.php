<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Content\CatalogueStore;
use App\Models\Page;
use App\Models\User;
use Illuminate\Http\Request;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Layout\Arrangement;
use Wellspring\Core\Layout\Columns;
use Wellspring\Core\Paging\PageRule;
use Wellspring\Core\Sort\Direction;

/** What the manage screens need to know of the site before anything else: its types, taxonomies and pages, and what rules may say of them. */
final readonly class StartController
{
    public function __construct(private CatalogueStore $store)
    {
    }

    /** @return array<string, mixed> */
    public function __invoke(Request $request): array
    {
        $catalogue = $this->store->catalogue();
        $user = $request->user();
        abort_unless($user instanceof User, 401);

        return [
            'user' => ['name' => $user->name, 'email' => $user->email, 'role' => $user->role],
            'site' => ['name' => config('site.name'), 'locale' => config('site.locale'), 'timeZone' => config('site.time_zone'), 'currency' => config('site.currency')],
            'types' => array_map($this->type(...), array_values($catalogue->types)),
            'taxonomies' => $this->taxonomies($catalogue),
            'pages' => Page::query()->orderBy('position')->orderBy('id')->get(['id', 'address', 'title']),
            'arrangements' => array_map(fn (Arrangement $as): array => ['key' => $as->value, 'label' => $as->words()], Arrangement::cases()),
            'people' => User::query()->where('active', true)->orderByRaw('name collate wellspring_text')->limit(500)->get(['name', 'email']),
            'limits' => ['columns' => Columns::MAX, 'pageSize' => PageRule::MAX_SIZE],
        ];
    }

    /** @return array<string, mixed> */
    private function type(Type $type): array
    {
        return [
            'key' => $type->key,
            'label' => $type->label,
            'plural' => $type->plural,
            'address' => $type->address,
            'fields' => array_map($this->field(...), array_values($type->reachable)),
            'own' => array_map(strval(...), array_keys($type->fields)),
            'taxonomies' => array_map(strval(...), array_keys($type->taxonomies)),
        ];
    }

    /** @return array<string, mixed> */
    private function field(Field $field): array
    {
        $family = $field->family();

        return [
            'key' => $field->key,
            'label' => $field->label,
            'kind' => $field->kind->key(),
            'family' => $family->value,
            'origin' => $field->origin->value,
            'help' => $field->help,
            'unit' => $field->unit,
            'required' => $field->required,
            'section' => $field->section,
            'types' => $field->types,
            'limits' => array_filter((array) $field->limits, fn (mixed $limit): bool => $limit !== null),
            'choices' => array_map(fn (string|int $key): array => ['key' => (string) $key, 'label' => $field->choices[$key], 'colour' => $field->colours[$key] ?? null], array_keys($field->choices)),
            'tests' => array_map(fn (Test $test): array => [
                'key' => $test->key(),
                // With two values, so that the words fit one as well as many.
                'words' => $test->words(new Condition($field, $test, ['', ''])),
                'wantsValue' => $test->wantsValue(),
            ], Tests::for($family)),
            'sorts' => $family->ordered(),
            'directions' => $family->ordered() ? ['up' => Direction::Up->words($family), 'down' => Direction::Down->words($family)] : null,
            'onCards' => $family->readsAsText(),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function taxonomies(Catalogue $catalogue): array
    {
        $all = [];
        foreach ($catalogue->taxonomies as $taxonomy) {
            $all[] = [
                'key' => $taxonomy->key,
                'label' => $taxonomy->label,
                'tree' => $taxonomy->tree,
                'terms' => array_map(
                    fn (array $row): array => ['slug' => $row['term']->slug, 'name' => $row['term']->name, 'depth' => $row['depth']],
                    $taxonomy->terms->asTree(),
                ),
            ];
        }

        return $all;
    }
}
