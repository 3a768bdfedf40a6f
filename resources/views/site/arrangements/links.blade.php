@php($tag = $shown->module->arrange->values->text('mark') === 'number' ? 'ol' : 'ul')
<{{ $tag }} @class($shown->listClasses())>
    @foreach ($cards as $card)
        @php($title = $card->title()->text ?? '')
        <li class="card">@if ($card->address === '' || $title === ''){{ $title }}@else<a
            href="{{ $card->address }}">{{ $title }}</a>@endif</li>
    @endforeach
</{{ $tag }}>
