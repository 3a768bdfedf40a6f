@include('site.blocks.picture', ['lazy' => false])
