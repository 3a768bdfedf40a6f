@php($columns = $shown->tableColumns())
<div class="table-box" tabindex="0" role="region" aria-label="{{ $shown->module->name }}">
    <table @class($shown->listClasses())>
        <thead>
            <tr>
                @foreach ($columns as $column)
                    <th scope="col" @if ($column['sorted'] !== null) aria-sort="{{ $column['sorted'] }}" @endif>
                        @if ($column['address'] === null)
                            <span @class(['unseen' => $column['hidden']])>{{ $column['label'] }}</span>
                        @else
                            <a href="{{ $column['address'] }}">{{ $column['label'] }}<span class="sort-mark"
                                aria-hidden="true"></span></a>
                        @endif
                    </th>
                @endforeach
            </tr>
        </thead>
        <tbody>
            @foreach ($cards as $card)
                <tr class="card">
                    @foreach ($columns as $column)
                        @php($cell = $card->only($column['part']))
                        <td @class(['for-picture' => $column['hidden'], 'no-value' => $cell->lines === []])
                            @if (! $column['hidden']) data-label="{{ $column['label'] }}" @endif
                            >@include('site.card', ['card' => $cell])</td>
                    @endforeach
                </tr>
            @endforeach
        </tbody>
    </table>
</div>
