// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/json_write.h"

#include <nlohmann/json.hpp>

namespace yemvo {

Json LargeLists::mark(std::function<void(const Entry&)> list) {
    lists_.push_back(std::move(list));
    return Json::binary({}, static_cast<Json::binary_t::subtype_type>(lists_.size() - 1));
}

class LineWriter {
public:
    explicit LineWriter(const LargeLists& lists) : lists_(lists) {}

    void write(const Json& value, int depth) {
        if (value.is_binary()) return write_large(value.get_binary().subtype(), depth);
        if (!value.is_structured() || value.empty() || !holds_large(value)) {
            std::string line = one_line(value);
            if (!value.is_structured() || line.size() <= longest_line) {
                out += line;
                return;
            }
        }
        const bool list = value.is_array();
        out += list ? '[' : '{';
        bool first = true;
        for (const auto& [key, inner] : value.items()) {
            start_entry(first, depth);
            if (!list) out += one_line(Json(key)) + ": ";
            write(inner, depth + 1);
        }
        end(list ? ']' : '}', depth);
    }

    std::string out;

private:
    static constexpr std::size_t longest_line = 120;

    static std::string one_line(const Json& value) {
        return value.dump(-1, ' ', false, Json::error_handler_t::replace);
    }
    static bool holds_large(const Json& value) {
        if (value.is_binary()) return true;
        if (!value.is_structured()) return false;
        for (const Json& inner : value)
            if (holds_large(inner)) return true;
        return false;
    }
    void start_entry(bool& first, int depth) {
        if (!first) out += ',';
        first = false;
        out += '\n';
        out.append(static_cast<std::size_t>(depth) + 1, ' ');
    }
    void end(char closing, int depth) {
        out += '\n';
        out.append(static_cast<std::size_t>(depth), ' ');
        out += closing;
    }
    void write_large(std::size_t index, int depth) {
        bool first = true;
        lists_.lists_[index]([&](const Json& entry) {
            if (first) out += '[';
            start_entry(first, depth);
            out += one_line(entry);
        });
        if (first)
            out += "[]";
        else
            end(']', depth);
    }
    const LargeLists& lists_;
};

std::string json_text(const Json& value, const LargeLists& lists) {
    LineWriter writer(lists);
    writer.write(value, 0);
    writer.out += '\n';
    return std::move(writer.out);
}

}  // namespace yemvo
