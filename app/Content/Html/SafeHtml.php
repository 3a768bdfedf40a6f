<?php

declare(strict_types=1);

namespace App\Content\Html;

use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Wellspring\Core\Content\Blank;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Text\Html;

/**
 * Cleans text with markup before it is stored. Results are remembered for the process, because a text is checked before
 * a transaction and stored inside it.
 */
final class SafeHtml
{
    private const MAX_BYTES = 1_000_000;

    /** Limits of the remembered texts, in number and in bytes. */
    private const REMEMBERED = 10_000;

    private const REMEMBERED_BYTES = 8_000_000;

    /** The sanitizer is created when needed, because that costs more than drawing a page without such a text. */
    private ?HtmlSanitizer $sanitizer = null;

    /** @var array<string, string|true> by hash of a text: what is left of it; true if it is safe as it stands */
    private array $known = [];

    private int $bytes = 0;

    /** Null if nothing remains of the text. Of a text that is too complex, only the words remain. */
    public function safe(string $html): ?string
    {
        try {
            $safe = $this->clean($html);
        } catch (TooComplexHtml) {
            $safe = htmlspecialchars(Html::visibleText($html));
        }

        return Blank::isHtml($safe) ? null : $safe;
    }

    /**
     * @param  array<string, Field>  $fields
     * @param  array<string, mixed>  $values  by field
     * @return array<string, mixed> without texts that are empty once they are safe
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

    /**
     * Reports which values are texts that are too complex. Call it before a transaction begins.
     *
     * @param  array<string, Field>  $fields
     * @param  array<string, mixed>  $values  by field; `text` and `description` need no field
     */
    public function checkFields(array $fields, array $values, Problems $problems): void
    {
        foreach ($values as $key => $value) {
            $isBuiltIn = ! isset($fields[$key]) && in_array($key, ['text', 'description'], true);
            if ($isBuiltIn || ($fields[$key] ?? null)?->family() === Family::LongText) {
                $this->check($key, $value, $problems);
            }
        }
    }

    public function check(string $path, mixed $html, Problems $problems): void
    {
        try {
            is_string($html) && $html !== '' && $this->clean($html);
        } catch (TooComplexHtml $fault) {
            $problems->add($path, ProblemCode::TooComplex, $fault->getMessage());
        }
    }

    /** @throws TooComplexHtml */
    private function clean(string $html): string
    {
        $hash = hash('xxh128', $html, true);
        $known = $this->known[$hash] ?? null;
        if ($known !== null) {
            return $known === true ? $html : $known;
        }
        if (strlen($html) > self::MAX_BYTES) {
            throw new TooComplexHtml('expected at most '.number_format(self::MAX_BYTES).' bytes of text.');
        }
        $this->sanitizer ??= new HtmlSanitizer(AllowedHtml::config(self::MAX_BYTES), new HtmlParser);
        $safe = trim($this->sanitizer->sanitize($html));
        $this->bytes += $safe === $html ? 0 : strlen($safe);
        if (count($this->known) >= self::REMEMBERED || $this->bytes > self::REMEMBERED_BYTES) {
            $this->known = [];
            $this->bytes = 0;
        }
        $this->known[$hash] = $safe === $html ? true : $safe;
        $this->known[hash('xxh128', $safe, true)] = true;

        return $safe;
    }
}
