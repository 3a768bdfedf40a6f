<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;

/** What is left of something shown where parts of it have nothing to show: rules.md, “Empty-value rules”. */
final class EmptyTest extends TestCase
{
    /**
     * Bands stand in `[ ]`, slots in `{ }`, modules in `( )`, cards in `< >`, lines between `/`; a letter is a part, a
     * digit an empty part and the level that goes with it (0 part, 1 line, 2 card, 3 module, 4 slot, 5 band).
     *
     * @return iterable<string, array{string, string}> before and after
     */
    public static function trees(): iterable
    {
        yield 'all is there' => ['[{(<a b/c>)}]', '[{(<a b/c>)}]'];
        yield 'an empty part goes alone' => ['[{(<a 0/c>)}]', '[{(<a/c>)}]'];
        yield 'a line without parts goes' => ['[{(<0 0/c>)}]', '[{(<c>)}]'];
        yield 'a part takes its line' => ['[{(<a 1/c>)}]', '[{(<c>)}]'];
        yield 'a card without lines goes' => ['[{(<0/1><c>)}]', '[{(<c>)}]'];
        yield 'a part takes its card' => ['[{(<a/2><c>)}]', '[{(<c>)}]'];
        yield 'a part takes its module' => ['[{(<a/3><c>)(<d>)}]', '[{(<d>)}]'];
        yield 'a part takes its slot' => ['[{(<4>)(<c>)}{(<d>)}]', '[{(<d>)}]'];
        yield 'a part takes its band' => ['[{(<5>)}{(<c>)}][{(<d>)}]', '[{(<d>)}]'];
        yield 'of several that take more, the one that takes most' => ['[{(<4>)(<5>)}{(<c>)}][{(<d>)}]', '[{(<d>)}]'];
        yield 'in whatever order' => ['[{(<5>)(<4>)}{(<c>)}][{(<d>)}]', '[{(<d>)}]'];
        yield 'what is empty goes with all around it' => ['[{(<0>)}{(<1>)}][{(<d>)}]', '[{(<d>)}]'];
        yield 'nothing is left' => ['[{(<0>)}]', ''];
    }

    #[DataProvider('trees')]
    public function test_what_is_left(string $before, string $after): void
    {
        $left = Node::branch(Level::Page, self::bands($before))->left();
        $this->assertSame($after, $left === null ? '' : implode('', array_map(self::write(...), $left->children)));
    }

    /** @return list<Node<object>> */
    private static function bands(string $text): array
    {
        return self::read(
            $text,
            [['[', ']', Level::Band], ['{', '}', Level::Slot], ['(', ')', Level::Module], ['<', '>', Level::Card]],
        );
    }

    /**
     * @param  list<array{string, string, Level}>  $levels
     * @return list<Node<object>>
     */
    private static function read(string $text, array $levels): array
    {
        $level = array_shift($levels);
        if ($level === null) {
            return array_map(self::line(...), explode('/', $text));
        }
        preg_match_all(
            '/'.preg_quote($level[0], '/').'([^'.preg_quote($level[1], '/').']*)'.preg_quote($level[1], '/').'/',
            $text,
            $found,
        );

        return array_map(fn (string $inside): Node => Node::branch($level[2], self::read($inside, $levels)), $found[1]);
    }

    /** @return Node<object> */
    private static function line(string $text): Node
    {
        return Node::branch(Level::Line, array_map(
            fn (string $part): Node => ctype_digit($part)
                ? Node::emptyLeaf(Level::Part, Level::from((int) $part))
                : Node::leaf(Level::Part, (object) ['text' => $part]),
            explode(' ', $text),
        ));
    }

    /** @param  Node<object>  $node */
    private static function write(Node $node): string
    {
        $inside = array_map(self::write(...), $node->children);

        return match ($node->level) {
            Level::Part => (string) ($node->content->text ?? ''),
            Level::Line => implode(' ', $inside),
            Level::Card => '<'.implode('/', $inside).'>',
            Level::Module => '('.implode('', $inside).')',
            Level::Slot => '{'.implode('', $inside).'}',
            default => '['.implode('', $inside).']',
        };
    }
}
