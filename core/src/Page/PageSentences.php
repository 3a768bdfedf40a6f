<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Wording\Piece;
use Wellspring\Core\Wording\Sentence;

/** Describes a page as a short text, top to bottom. */
final class PageSentences
{
    /** @return non-empty-list<Sentence> */
    public static function of(PageDefinition $page): array
    {
        $sentences = [new Sentence('address', null, 'At', [
            new Piece($page->address->pattern, 'address'),
            ...$page->about === null ? [] : [new Piece(', one page for '), new Piece($page->about->words(), 'about')],
        ])];
        $sentences[] = new Sentence('title', null, 'Called', [
            new Piece("“{$page->title}”", 'title'),
            ...$page->showsTitle ? [] : [new Piece(', which is not shown', 'showTitle')],
        ]);
        if ($page->schedule->words() !== '') {
            $sentences[] = new Sentence('audience', null, 'Shown', [
                new Piece($page->schedule->words(), 'audience'),
                ...$page->asksToSignIn ? [new Piece('; others are asked to sign in', 'whenNotForYou')] : [],
            ]);
        }
        foreach ($page->bands as $i => $band) {
            $sentences[] = new Sentence("bands[{$i}]", null, 'Band', self::band($band, "bands[{$i}]"));
        }

        return $sentences;
    }

    /**
     * The differences between two versions, sentence by sentence.
     *
     * @param  PageDefinition|null  $before  null if there was none, or if it is invalid
     * @return list<array{now: bool, words: string}> first what is no longer said, then what is said now
     */
    public static function changed(?PageDefinition $before, ?PageDefinition $after): array
    {
        [$old, $new] = [self::lines($before), self::lines($after)];
        $said = fn (array $lines, bool $now): array => array_map(
            fn (string $words): array => ['now' => $now, 'words' => $words],
            array_values($lines),
        );

        return [...$said(array_diff($old, $new), false), ...$said(array_diff($new, $old), true)];
    }

    /** @return list<string> */
    private static function lines(?PageDefinition $page): array
    {
        return $page === null ? [] : array_map(
            fn (Sentence $sentence): string => "{$sentence->lead} {$sentence->text()}",
            self::of($page),
        );
    }

    /** @return list<Piece> */
    private static function band(Band $band, string $at): array
    {
        $pieces = [new Piece($band->key, "{$at}.key")];
        $more = array_filter([
            'tone' => $band->tone === Tone::Plain ? '' : $band->tone->value,
            'ground' => $band->ground === null ? '' : "on {$band->ground->words()}",
            'audience' => $band->schedule->words(),
        ], fn (string $words): bool => $words !== '');
        foreach ($more as $key => $words) {
            array_push($pieces, new Piece(', '), new Piece($words, "{$at}.{$key}"));
        }
        $pieces[] = new Piece(': ');
        foreach ($band->slots as $n => $slot) {
            if ($n > 0) {
                $pieces[] = new Piece(' | ');
            }
            array_push($pieces, ...self::slot($slot, "{$at}.slots[{$n}]"));
        }

        return $pieces;
    }

    /** @return list<Piece> */
    private static function slot(Slot $slot, string $at): array
    {
        $pieces = $slot->share === PageReader::SHARES ? [] : [
            new Piece("{$slot->share}/".PageReader::SHARES, "{$at}.share"),
            new Piece(' '),
        ];
        if ($slot->schedule->words() !== '') {
            array_push($pieces, new Piece($slot->schedule->words(), "{$at}.audience"), new Piece(' '));
        }
        if ($slot->blocks === []) {
            $pieces[] = new Piece('nothing yet', "{$at}.blocks");
        }
        foreach ($slot->blocks as $n => $placed) {
            $words = $placed->schedule->words();
            array_push(
                $pieces,
                ...$n === 0 ? [] : [new Piece(', ')],
                ...[new Piece($placed->block->words().($words === '' ? '' : " ({$words})"), "{$at}.blocks[{$n}]")],
            );
        }

        return $pieces;
    }
}
