<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Video\VideoOptions;

/** A video: `{"block": "video", "video": "planting.mp4"}`, or the address of a video on another site. */
final readonly class Video implements Block
{
    use Defaults;

    private function __construct(public string $video, public OptionValues $values)
    {
    }

    public static function key(): string
    {
        return 'video';
    }

    public static function label(): string
    {
        return 'Video';
    }

    public static function begin(BlockSite $site): array
    {
        return ['block' => self::key(), 'video' => ''];
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $video = $shape->raw('video') === '' ? '' : $shape->text('video', '');
        try {
            (new Kind\Video)->read($video, new Field('video', 'Video', new Kind\Video));
        } catch (WrongValue $wrong) {
            $shape->wrong('video', 'an uploaded video or an address that begins with https://', $video);
        }

        return new self($video, OptionValues::read(VideoOptions::all(), $shape));
    }

    public static function options(): array
    {
        return VideoOptions::all();
    }

    public static function optionSchemas(): array
    {
        return ['video' => ['type' => 'string']] + OptionValues::schemas(self::options());
    }

    public function words(): string
    {
        return $this->video === '' ? 'a video' : "the video {$this->video}";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'video' => $this->video] + $this->values->said();
    }
}
