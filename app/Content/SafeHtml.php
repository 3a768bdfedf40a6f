<?php

declare(strict_types=1);

namespace App\Content;

use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;
use Wellspring\Core\Content\Blank;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;

/** Makes text with markup safe before it is stored, whatever it belongs to: items, terms, fields of either. */
final class SafeHtml
{
    /** Made when it is needed: it costs more than drawing a page that has no text to be made safe. */
    private ?HtmlSanitizer $sanitizer = null;

    /** Null where nothing is left of it. */
    public function safe(string $html): ?string
    {
        $this->sanitizer ??= new HtmlSanitizer((new HtmlSanitizerConfig)
            ->allowSafeElements()
            ->allowRelativeLinks()
            ->allowRelativeMedias()
            ->withMaxInputLength(1_000_000));
        $safe = trim($this->sanitizer->sanitize($html));

        return Blank::isHtml($safe) ? null : $safe;
    }

    /**
     * @param  array<string, Field>  $fields
     * @param  array<string, mixed>  $values  by field
     * @return array<string, mixed> without those of which nothing is left
     */
    public function safeFields(array $fields, array $values): array
    {
        foreach ($values as $key => $value) {
            if (is_string($value) && ($fields[$key] ?? null)?->family() === Family::LongText) {
                $values[$key] = $this->safe($value);
            }
        }

        return array_filter($values, fn (mixed $value): bool => $value !== null);
    }
}
