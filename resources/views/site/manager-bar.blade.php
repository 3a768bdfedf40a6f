{{-- For signed-in managers alone; such a page is kept by nobody. --}}
<aside class="manager-bar" lang="en" dir="ltr" aria-label="For managers">
    @if ($bar['page'] !== null)<a href="{{ $bar['page'] }}">Edit this page</a>@endif
    @if ($bar['item'] !== null)<a href="{{ $bar['item']['address'] }}">Edit this item</a>@endif
    @if ($bar['modules'] !== [])
        <details>
            <summary>Modules here ({{ count($bar['modules']) }})</summary>
            <ul>
                @foreach ($bar['modules'] as $module)
                    <li><a href="/manage/modules/{{ $module['key'] }}" data-module="{{ $module['key'] }}">{{
                        $module['name'] }}</a></li>
                @endforeach
            </ul>
        </details>
    @endif
</aside>
