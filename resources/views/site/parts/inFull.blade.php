{{-- The text's own headings stand under the card's title. --}}
<div class="{{ $partClass }} prose">{!! \Wellspring\Core\Text\HeadingOutline::lowered($made->value->html, 2) !!}</div>
