@extends('errors.layout')
@section('title', 'This is too large')
@section('advice', 'The site takes less than this here. Go back and send something smaller.')
