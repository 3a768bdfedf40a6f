@extends('site.layout')
@section('title', $item->title)
@section('content')
    <article @class(['item', 'has-picture' => $picture !== null])>
        @if ($picture !== null)
            <img class="item-picture" src="{{ $picture->url() }}" alt="{{ $picture->alt }}" width="{{ $picture->width }}" height="{{ $picture->height }}">
        @endif
        <div class="item-words">
            <h1>{{ $item->title }}</h1>
            @if ($item->text !== null)<div class="prose">{!! $item->text !!}</div>@endif
            @if ($facts !== [])
                <dl class="facts">
                    @foreach ($facts as $label => $value)
                        <div><dt>{{ $label }}</dt><dd>{{ $value }}</dd></div>
                    @endforeach
                </dl>
            @endif
        </div>
    </article>
@endsection
