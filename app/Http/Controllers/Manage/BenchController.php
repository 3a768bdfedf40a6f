<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Listing\Listing;
use App\Listing\Options;
use App\Models\Page;
use App\Modules\ModuleStore;
use App\Site\PageMaker;
use Illuminate\Http\Request;
use Wellspring\Core\Layout\Columns;
use Wellspring\Core\Layout\Width;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\Piece;
use Wellspring\Core\Module\Sentence;
use Wellspring\Core\Module\Sentences;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\Pages;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Who\Audience;

/** What the bench shows of a definition that nobody has saved: its text, its counts and the visitor's page. */
final readonly class BenchController
{
    public function __construct(private ModuleStore $store, private Listing $listing, private Options $options, private PageMaker $maker)
    {
    }

    /** @return array<string, mixed> */
    public function look(Request $request): array
    {
        $given = $request->validate(['definition' => ['required', 'array'], 'page' => ['string'], 'on' => ['nullable', 'integer']]);
        $module = $this->store->read($request->json()->all()['definition']);
        $now = new \DateTimeImmutable;
        $asked = $given['page'] ?? '1';
        try {
            $result = $this->listing->run($module, $now, Audience::SignedOut, $asked);
        } catch (NoSuchPage) {
            $result = $this->listing->run($module, $now, Audience::SignedOut);
        }
        $empty = $this->listing->emptyParts($module, $now, Audience::SignedOut);

        return [
            'definition' => $module->toArray(),
            'sentences' => array_map($this->sentence(...), Sentences::of($module)),
            'total' => $result->total,
            'pages' => $result->pages,
            'page' => $result->page,
            'steps' => array_map(fn (Step $step): array => ['step' => $step->name, 'left' => $step->left], $result->steps),
            'empty' => ['parts' => (object) $empty['parts'], 'any' => $empty['any']],
            'lastRow' => $this->lastRow($module, $result),
            'notes' => array_map(strval(...), $this->store->notes($module)),
            'html' => $this->page($module, $result, $given['on'] ?? null, $now),
        ];
    }

    /** @return array<string, mixed> */
    public function options(Request $request): array
    {
        $given = $request->validate(['definition' => ['required', 'array'], 'field' => ['required', 'string'], 'before' => ['required', 'string']]);
        $module = $this->store->read($request->json()->all()['definition']);
        $field = $module->source->field($given['field'])
            ?? throw Refused::because('field', 'unknownField', "“{$given['field']}” is not a field of {$module->source->key}.");
        $options = $this->options->of($module, $field, $given['before'], new \DateTimeImmutable, Audience::SignedOut);

        return ['choices' => (object) $options['choices']] + $options;
    }

    /** The visitor's page with the module as it is being made: the page that carries it, or a plain one. */
    private function page(Module $module, Result $result, ?int $on, \DateTimeImmutable $now): string
    {
        $row = $this->store->find($module->key);
        $page = $row?->pages()->with('modules')->when($on !== null, fn ($query) => $query->where('pages.id', $on))->first();
        $shown = $page instanceof Page
            ? $this->maker->modules($page, $now, Audience::SignedOut, [$module->key => (string) $result->page], $module)
            : [$this->maker->shown($module, '/', $result)];

        return view('site.page', [
            'page' => $page ?? new Page(['address' => '/', 'title' => $module->name, 'intro' => 'This module stands on no page yet. This is how it would look on one.']),
            'modules' => $shown,
        ])->render();
    }

    /** @return array<string, mixed> */
    private function sentence(Sentence $sentence): array
    {
        return [
            'rule' => $sentence->rule,
            'step' => $sentence->step,
            'lead' => $sentence->lead,
            'off' => $sentence->off,
            'pieces' => array_map(fn (Piece $piece): array => ['text' => $piece->text, 'at' => $piece->at], $sentence->pieces),
        ];
    }

    /** @return array<string, array{cards: int, columns: int}> by width: how many cards stand in the last row of the last page, of how many */
    private function lastRow(Module $module, Result $result): array
    {
        $cards = (new Pages(max(0, $result->total), $module->page->size))->on($result->pages);
        $rows = [];
        foreach (Width::cases() as $width) {
            $columns = $module->arrange->columnsAt($width);
            $rows[$width->value] = ['cards' => Columns::lastRow($cards, $columns), 'columns' => $columns];
        }

        return $rows;
    }
}
