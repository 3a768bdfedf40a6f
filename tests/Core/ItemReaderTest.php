<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Problem\Refused;

final class ItemReaderTest extends TestCase
{
    public function test_cells_and_values_of_the_same_item_read_alike(): void
    {
        $reader = new ItemReader(Garden::plant());
        $cells = $reader->fromCells([
            'title' => ' Lady fern ',
            'slug' => 'lady-fern',
            'status' => 'draft',
            'publish_at' => '2026-05-01T18:30+02:00',
            'expire_at' => '',
            'audience' => 'members',
            'lead' => 'yes',
            'price' => '04.20',
            'height' => '1e2',
            'nickname' => "=1+1 \u{1F33F}",
            'light' => 'half-shade',
            'uses' => 'cut | pot',
            'hardy' => '0',
            'sown' => '2024-02-29',
            'watered' => '2026-05-01',
            'groups' => 'Perennials > FERNS | shrubs',
            'text' => '<p> </p>',
        ]);
        $values = $reader->fromValues([
            'title' => 'Lady fern',
            'slug' => 'lady-fern',
            'status' => 'draft',
            'publish_at' => '2026-05-01T16:30:00Z',
            'audience' => 'members',
            'lead' => true,
            'price' => 4.2,
            'height' => 100,
            'nickname' => "=1+1 \u{1F33F}",
            'light' => 'half-shade',
            'uses' => ['pot', 'cut'],
            'hardy' => false,
            'sown' => '2024-02-29',
            'watered' => '2026-05-01T00:00:00Z',
            'groups' => ['ferns', 'shrubs'],
        ]);
        $this->assertEquals($values, $cells);
        $this->assertArrayNotHasKey('story', $cells->fields, 'what is empty is absent');
        $this->assertNull($cells->text);
    }

    public function test_every_wrong_cell_is_told_by_its_column(): void
    {
        try {
            (new ItemReader(Garden::plant()))->fromCells([
                'title' => ' ',
                'slug' => 'Lady Fern',
                'publish_at' => '2026-05-02',
                'expire_at' => '2026-05-01',
                'price' => '4,20',
                'height' => 'tall',
                'light' => 'gloom',
                'uses' => 'pot | roof',
                'hardy' => 'maybe',
                'sown' => '2026-02-30',
                'watered' => 'noon',
                'groups' => 'Perennials > Cacti',
                'nickname' => "\xC3\x28",
                'picture' => '../x.png',
                'wingspan' => '3',
            ]);
            $this->fail('These cells are wrong.');
        } catch (Refused $refused) {
            $paths = array_map(fn ($problem): string => $problem->path, $refused->problems);
            sort($paths);
            $this->assertSame(
                [
                    'expire_at',
                    'groups',
                    'hardy',
                    'height',
                    'light',
                    'nickname',
                    'picture',
                    'price',
                    'slug',
                    'sown',
                    'title',
                    'uses',
                    'watered',
                    'wingspan',
                ],
                $paths,
            );
        }
    }

    public function test_a_column_that_is_not_given_stays_as_it_was(): void
    {
        $reader = new ItemReader(Garden::plant());
        $draft = $reader->fromCells(
            ['price' => '5', 'nickname' => ''],
            ['title' => 'Lady fern', 'nickname' => 'Lady', 'light' => 'sun', 'groups' => ['ferns'], 'lead' => true],
        );
        $this->assertEquals(['price' => 5, 'light' => 'sun'], $draft->fields, 'and an empty cell empties');
        $this->assertSame(['Lady fern', ['ferns'], true], [$draft->title, $draft->terms['groups'], $draft->lead]);
    }
}
