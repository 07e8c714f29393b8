#include "project/json_reader.h"

#include <cmath>
#include <nlohmann/json.hpp>

#include "base/number_text.h"

namespace yemvo {

void Reader::fail(const std::string& what) const {
    throw Error(what, path_, "The file was not written so by Yemvo");
}

std::optional<Reader> Reader::find(const char* key) const {
    if (!value_->is_object()) fail("must be an object");
    const auto found = value_->find(key);
    if (found == value_->end() || found->is_null()) return std::nullopt;
    const char* mark = path_.ends_with(": ") ? "" : ".";
    return Reader(*found, path_ + mark + key);
}

Reader Reader::at(const char* key) const {
    auto found = find(key);
    if (!found) fail(std::string("'") + key + "' is missing");
    return *found;
}

std::vector<Reader> Reader::items(std::size_t most) const {
    if (!value_->is_array()) fail("must be a list");
    if (value_->size() > most) fail("has more than " + std::to_string(most) + " entries");
    std::vector<Reader> list;
    list.reserve(value_->size());
    for (std::size_t i = 0; i < value_->size(); ++i)
        list.emplace_back((*value_)[i], path_ + "[" + std::to_string(i) + "]");
    return list;
}

double Reader::number(double low, double high) const {
    if (!value_->is_number()) fail("must be a number");
    const double v = value_->get<double>();
    if (!std::isfinite(v) || v < low || v > high)
        fail("must lie between " + format_number(low, 2) + " and " + format_number(high, 2));
    return v;
}

int Reader::integer(int low, int high) const {
    const double v = number(low, high);
    if (v != std::floor(v)) fail("must be a whole number");
    return static_cast<int>(v);
}

std::uint32_t Reader::id_value() const {
    const double v = number(1, 4'000'000'000.0);
    if (v != std::floor(v)) fail("must be a whole number");
    return static_cast<std::uint32_t>(v);
}

std::string Reader::text(std::size_t most_bytes) const {
    if (!value_->is_string()) fail("must be a text");
    std::string v = value_->get<std::string>();
    if (v.size() > most_bytes) fail("is longer than " + std::to_string(most_bytes) + " bytes");
    return v;
}

bool Reader::boolean() const {
    if (!value_->is_boolean()) fail("must be true or false");
    return value_->get<bool>();
}

}  // namespace yemvo
