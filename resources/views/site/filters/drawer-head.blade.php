<p class="choose-head">
    <span>Filters</span>
    <a class="close-filters" href="#{{ $choices->anchor }}">Close</a>
</p>
