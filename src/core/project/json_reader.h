// Reading JSON that may be wrong in any way: every access is checked and a fault names its place,
// as "project.json: buildings[0].floors[1].walls[3].points[0]: must be a number".
#pragma once
#include <limits>
#include <nlohmann/json_fwd.hpp>
#include <optional>
#include <string>
#include <vector>

#include "base/error.h"
#include "base/id.h"

namespace yemvo {

using Json = nlohmann::ordered_json;

class Reader {
public:
    Reader(const Json& value, std::string path) : value_(&value), path_(std::move(path)) {}

    Reader at(const char* key) const;                   ///< must be there
    std::optional<Reader> find(const char* key) const;  ///< may be absent or null
    std::vector<Reader> items(std::size_t most = 1'000'000) const;

    double number(double low, double high) const;
    int integer(int low, int high) const;
    std::uint32_t id_value() const;
    std::string text(std::size_t most_bytes = 10'000) const;
    bool boolean() const;

    /// One of the words that `known` tells (a function from name to optional).
    template <class Known>
    auto word(Known known) const {
        const std::string name = text();
        const auto value = known(name);
        if (!value) fail("does not know '" + name.substr(0, 60) + "'");
        return *value;
    }
    template <class IdType>
    IdType id() const {
        return IdType{id_value()};
    }
    [[noreturn]] void fail(const std::string& what) const;
    const std::string& path() const { return path_; }

private:
    const Json* value_;
    std::string path_;
};

}  // namespace yemvo
