<?php

declare(strict_types=1);

namespace App\Content\Html;

use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;
use Symfony\Component\HtmlSanitizer\Visitor\AttributeSanitizer\AttributeSanitizerInterface;

/** Allows only the new window as target of a link. */
final class LinkTarget implements AttributeSanitizerInterface
{
    public function getSupportedElements(): array
    {
        return ['a'];
    }

    public function getSupportedAttributes(): array
    {
        return ['target'];
    }

    public function sanitizeAttribute(
        string $element,
        string $attribute,
        string $value,
        HtmlSanitizerConfig $config,
    ): ?string {
        return strtolower($value) === AllowedHtml::LINK_TARGET ? AllowedHtml::LINK_TARGET : null;
    }
}
