<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/**
 * The form of a date: a CLDR skeleton (letters alone: `yMMMMEEEEd`), which ICU turns into the usual form of the
 * language; an ICU pattern (`d MMMM, HH:mm`), used unchanged; or relative to today.
 */
final class DateForm
{
    public const RELATIVE = 'relative';

    /** Maximum length of a form. */
    private const LONGEST = 100;

    /** The letters of Unicode Technical Standard 35, part 4, “Date Field Symbol Table”. */
    private const SKELETON = '/^[GyYuUrQqMLwWdDFgEecabBhHkKjJmsSzZOvVXx]+$/D';

    public static function isSkeleton(string $form): bool
    {
        return preg_match(self::SKELETON, $form) === 1;
    }

    /** A skeleton without its time of day; unchanged if it has nothing else. */
    public static function ofDay(string $skeleton): string
    {
        $day = preg_replace('/[abBhHkKjJmsSzZOvVXx]/', '', $skeleton) ?? '';

        return $day === '' ? $skeleton : $day;
    }

    /** @return string|null what is expected instead; null where it is a form */
    public static function fault(string $form): ?string
    {
        if ($form === self::RELATIVE) {
            return null;
        }
        if (strlen($form) > self::LONGEST) {
            return 'a form of at most '.self::LONGEST.' characters';
        }
        $expected = '“relative”, a skeleton of CLDR such as yMMMMEEEEd, or a pattern of ICU such as d MMMM, HH:mm';
        $formatter = \datefmt_create(
            'en',
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            'UTC',
            \IntlDateFormatter::GREGORIAN,
            $form,
        );
        $written = $formatter === null ? false : $formatter->format(0);
        $other = $formatter === null ? false : $formatter->format(86_400 * 400 + 3_700);

        return $written === false || trim($written) === '' || $written === $other ? $expected : null;
    }
}
