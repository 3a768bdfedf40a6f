<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\Address\PageAbout;
use Wellspring\Core\Page\Block\Fields;

/**
 * Starting bodies for a page, each an ordinary list of bands. Slots for modules, headings and texts are empty, so that
 * visitors never see placeholders.
 */
final class StarterBodies
{
    /**
     * @param  Type|null  $type  of the page's record
     * @return non-empty-list<array{words: string, bands: list<array<string, mixed>>}>
     */
    public static function of(?PageAbout $about, ?Type $type): array
    {
        return match ($about?->kind) {
            null => self::plain(),
            AboutKind::Term => self::term(),
            AboutKind::Item => self::item($type === null ? [] : Fields::ofType($type)),
            AboutKind::Month, AboutKind::Year, AboutKind::Person => [
                self::titleOverListing(),
                self::listingWithSide(),
            ],
        };
    }

    /** @return non-empty-list<array{words: string, bands: list<array<string, mixed>>}> */
    private static function plain(): array
    {
        $heading = ['block' => 'heading', 'text' => ''];
        $text = ['block' => 'text', 'html' => ''];

        return [
            self::body('a listing over the whole width', self::band('listing', [[12, []]])),
            self::body('a text', self::band('text', [[12, [$text]]])),
            self::body('a listing with something beside it', self::band('body', [[8, []], [4, [$heading, $text]]])),
            self::body(
                'a welcome, then two to one',
                self::band('welcome', [[12, [$heading, $text]]], 'quiet'),
                self::band('body', [[8, []], [4, []]]),
            ),
            self::body(
                'three columns of words',
                self::band('columns', [[4, [$heading, $text]], [4, [$heading, $text]], [4, [$heading, $text]]]),
            ),
            self::body(
                'the page’s picture beside words, then a listing',
                self::band('words', [[6, [['block' => 'pagePicture']]], [6, [$heading, $text]]]),
                self::band('listing', [[12, []]]),
            ),
        ];
    }

    /** @return non-empty-list<array{words: string, bands: list<array<string, mixed>>}> */
    private static function term(): array
    {
        $words = [['block' => 'breadcrumbs'], ['block' => 'pageTitle'], ['block' => 'pageText']];
        $picture = ['block' => 'pagePicture', 'empty' => ['do' => 'leaveOutSlot']];

        return [
            self::body(
                'title and text beside the picture, then a listing',
                self::band('top', [[8, $words], [4, [$picture]]]),
                self::band('listing', [[12, []]]),
            ),
            self::body(
                'the picture over all, then title, text and a listing',
                self::band('picture', [[12, [$picture]]]),
                self::band('words', [[12, $words]]),
                self::band('listing', [[12, []]]),
            ),
            self::listingWithSide(),
        ];
    }

    /**
     * @param  list<Field>  $fields  that the page shows by default
     * @return non-empty-list<array{words: string, bands: list<array<string, mixed>>}>
     */
    private static function item(array $fields): array
    {
        $keys = fn (bool $pictures): array => array_values(array_map(
            fn (Field $field): string => $field->key,
            array_filter($fields, fn (Field $field): bool => $field->family()->isPicture() === $pictures),
        ));
        $block = fn (array $keys): array => $keys === [] ? [] : [['block' => 'field', 'fields' => $keys]];
        [$pictures, $values] = [$block($keys(true)), $block($keys(false))];
        $title = [['block' => 'breadcrumbs'], ['block' => 'pageTitle']];
        $text = ['block' => 'pageText'];

        return [
            self::body(
                'pictures at the left, words at the right, then a listing',
                self::band('top', [[6, $pictures], [6, [...$title, $text, ...$values]]]),
                self::band('more', [[12, []]]),
            ),
            self::body(
                'words with a side slot of values',
                self::band('body', [[8, [...$title, ...$pictures, $text]], [4, $values]]),
            ),
            self::body(
                'the picture over all, then words beside values',
                self::band('picture', [[12, [['block' => 'pagePicture']]]]),
                self::band('words', [[8, [...$title, $text]], [4, $values]]),
                self::band('more', [[12, []]], 'quiet'),
            ),
        ];
    }

    /** @return array{words: string, bands: list<array<string, mixed>>} */
    private static function titleOverListing(): array
    {
        return self::body(
            'the title over a listing',
            self::band('top', [[12, [['block' => 'breadcrumbs'], ['block' => 'pageTitle']]]]),
            self::band('listing', [[12, []]]),
        );
    }

    /** @return array{words: string, bands: list<array<string, mixed>>} */
    private static function listingWithSide(): array
    {
        return self::body(
            'a listing with title, text and picture at the side',
            self::band('top', [[12, [['block' => 'breadcrumbs']]]]),
            self::band('body', [[9, []], [3, [
                ['block' => 'pageTitle'], ['block' => 'pagePicture'], ['block' => 'pageText'],
            ]]]),
        );
    }

    /**
     * @param  array<string, mixed>  ...$bands
     * @return array{words: string, bands: list<array<string, mixed>>}
     */
    private static function body(string $words, array ...$bands): array
    {
        return ['words' => $words, 'bands' => array_values($bands)];
    }

    /**
     * @param  list<array{int, list<array<string, mixed>>}>  $slots  each a share and its blocks
     * @return array<string, mixed>
     */
    private static function band(string $key, array $slots, string $tone = 'plain'): array
    {
        return ['key' => $key] + ($tone === 'plain' ? [] : ['tone' => $tone]) + ['slots' => array_map(
            fn (array $slot): array => ['share' => $slot[0], 'blocks' => $slot[1]],
            $slots,
        )];
    }
}
