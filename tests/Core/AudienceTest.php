<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Who\Viewer;

/** Who sees what: rules.md, “Who and when”; an audience is a set. */
final class AudienceTest extends TestCase
{
    /** @return iterable<string, array{list<string>, string}> the audience, and which of the viewers below see it */
    public static function audiences(): iterable
    {
        yield 'everyone' => [['everyone'], 'anyone, signed out, member, friend'];
        yield 'nothing said is everyone' => [[], 'anyone, signed out, member, friend'];
        yield 'everyone among others is everyone' => [['members', 'everyone'], 'anyone, signed out, member, friend'];
        yield 'signed-out' => [['signed-out'], 'signed out'];
        yield 'members' => [['members'], 'member, friend'];
        yield 'a group' => [['group:friends'], 'friend'];
        yield 'another group' => [['group:staff'], ''];
        yield 'two' => [['group:friends', 'signed-out'], 'signed out, friend'];
    }

    /** @param  list<string>  $keys */
    #[DataProvider('audiences')]
    public function test_who_is_admitted(array $keys, string $seenBy): void
    {
        $record = Garden::record(1, audience: Audience::of($keys));
        $viewers = [
            'anyone' => Viewer::anyone(),
            'signed out' => Viewer::signedOut(),
            'member' => Viewer::member('ada@example.org'),
            'friend' => Viewer::member('bea@example.org', ['friends', 'choir']),
        ];
        $seeing = array_filter(
            $viewers,
            fn (Viewer $viewer): bool => Garden::context(viewer: $viewer)->admits($record),
        );
        $this->assertSame($seenBy, implode(', ', array_keys($seeing)));
    }

    public function test_an_audience_is_said_in_words_and_refuses_what_is_none(): void
    {
        $this->assertSame('the group friends and members', Audience::of(['members', 'group:friends'])->words());
        $this->assertSame(['friends'], Audience::of(['members', 'group:friends'])->groups());
        $this->expectException(\InvalidArgumentException::class);
        Audience::of(['group:']);
    }
}
