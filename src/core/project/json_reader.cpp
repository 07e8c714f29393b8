// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_reader.h"

#include <cmath>
#include <nlohmann/json.hpp>

#include "base/utf8.h"

namespace yemvo {

namespace {

/// Beyond this a file is not one with faults, but no project.
constexpr std::size_t most_aside = 1000, most_aside_bytes = 8u << 20;

}  // namespace

void Reading::set_aside(const Error& fault, const Json& part) {
    set_aside_text(fault, part.dump(-1, ' ', false, Json::error_handler_t::replace));
}

void Reading::set_aside_text(const Error& fault, std::string part) {
    std::size_t bytes = 0;
    for (const SetAside& a : aside) bytes += a.json.size();
    if (aside.size() >= most_aside || bytes + part.size() > most_aside_bytes)
        throw Error(say("too much of it cannot be read, the last: %1", fault.summary()), fault.where(),
                    fault.remedy());
    // what a parser says of bytes that are no text quotes them
    aside.push_back(
        {as_utf8(fault.where().english()), as_utf8(fault.summary().english()), as_utf8(std::move(part))});
}

void Reader::fail(const Said& what) const {
    throw Error(what, path(), say("Correct it there, or try an earlier version of the file"));
}

std::string Reader::with_field(std::string path, const std::string& field) {
    if (!path.ends_with(": ") && !field.empty() && field[0] != '[') path += '.';
    return path + field;
}

std::string Reader::with_index(std::string path, std::size_t index) {
    path += '[';
    path += std::to_string(index);
    path += ']';
    return path;
}

std::string Reader::path() const {
    std::string path = *place_;
    for (int i = 0; i < depth_; ++i) {
        const Step& step = steps_[static_cast<std::size_t>(i)];
        path = step.key ? with_field(std::move(path), step.key) : with_index(std::move(path), step.index);
    }
    return path;
}

Reader Reader::inside(const Json& value, Step step) const {
    Reader inner = *this;
    inner.value_ = &value;
    if (static_cast<std::size_t>(inner.depth_) < inner.steps_.size())
        inner.steps_[static_cast<std::size_t>(inner.depth_++)] = step;
    return inner;
}

std::optional<Reader> Reader::find(const char* key) const {
    if (!value_->is_object()) fail(say("must be an object"));
    const auto found = value_->find(key);
    if (found == value_->end() || found->is_null()) return std::nullopt;
    return inside(*found, {key, 0});
}

Reader Reader::at(const char* key) const {
    auto found = find(key);
    if (!found) fail(say("'%1' is missing", std::string(key)));
    return *found;
}

Reader::Items Reader::items(std::size_t most) const {
    if (!value_->is_array()) fail(say("must be a list"));
    if (value_->size() > most) fail(say("has more than %1 entries", most));
    return Items(*this);
}

std::size_t Reader::Items::size() const { return list_.value_->size(); }

Reader Reader::Items::operator[](std::size_t i) const {
    return list_.inside((*list_.value_)[i], {nullptr, i});
}

std::any* Reader::taken() const {
    if (!value_->is_binary() || !reading_) return nullptr;
    const auto index = value_->get_binary().subtype();
    return index < reading_->lists.size() ? &reading_->lists[index] : nullptr;
}

double Reader::number() const {
    if (!value_->is_number()) fail(say("must be a number"));
    const double v = value_->get<double>();
    if (!std::isfinite(v)) fail(say("must be a finite number"));
    return v;
}

int Reader::integer() const {
    const double v = number();
    if (v != std::floor(v)) fail(say("must be a whole number"));
    if (!(std::abs(v) <= 2e9)) fail(say("must lie between -2000000000 and 2000000000"));
    return static_cast<int>(v);
}

std::uint32_t Reader::id_value() const {
    const double v = number();
    if (v != std::floor(v) || !(v >= 1 && v <= 4e9))
        fail(say("must be a whole number between 1 and 4000000000"));
    return static_cast<std::uint32_t>(v);
}

std::string Reader::text(TextLimit limit) const {
    if (!value_->is_string()) fail(say("must be a text"));
    std::string v = value_->get<std::string>();
    if (text_length(v).value_or(0) > limit.most) fail(say("is longer than %1 characters", limit.most));
    return v;
}

bool Reader::boolean() const {
    if (!value_->is_boolean()) fail(say("must be true or false"));
    return value_->get<bool>();
}

}  // namespace yemvo
