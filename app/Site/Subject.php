<?php

declare(strict_types=1);

namespace App\Site;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Text\Excerpt;
use Wellspring\Core\Text\Html;

/** The record that a page is about, in the form that its blocks show; for a page about nothing, the page itself. */
final readonly class Subject
{
    /** Maximum number of words in its summary. */
    private const SUMMARY = 28;

    /**
     * @param  string  $text  HTML
     * @param  string|null  $picture  a file's name
     * @param  Record|null  $record  as the viewer sees it; null for a page about nothing
     * @param  Type|null  $type  of the record
     */
    private function __construct(
        public PageSubject $page,
        public string $title,
        public string $text,
        public ?string $picture,
        public ?Record $record = null,
        public ?Type $type = null,
    ) {
    }

    /** The beginning of a text, without markup; empty if there is none. */
    public static function summary(string $html): string
    {
        return Excerpt::words(Html::visibleText($html), self::SUMMARY);
    }

    public static function ofPage(PageDefinition $page): self
    {
        $text = $page->description === '' ? '' : '<p>'.e($page->description).'</p>';

        return new self(new PageSubject, $page->title, $text, $page->picture);
    }

    /** @param  Record  $record  as the viewer sees it */
    public static function ofRecord(Record $record, Type $type, PageSubject $page): self
    {
        $text = isset($type->reachable['text']) ? $record->value($type->reachable['text']) : null;
        $picture = null;
        foreach ($type->fields as $field) {
            $value = $field->family() === Family::Picture ? $record->value($field) : null;
            $picture ??= is_string($value) ? $value : null;
        }

        return new self($page, $record->title, is_string($text) ? $text : '', $picture, $record, $type);
    }
}
