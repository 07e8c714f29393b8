// SPDX-License-Identifier: GPL-3.0-or-later
// Runs a command line as a person would, and keeps what it answered.
#pragma once
#include <nlohmann/json.hpp>
#include <sstream>
#include <string>
#include <vector>

#include "cli/commands.h"

namespace yemvo::test {

struct Answer {
    int code;
    std::string out, err;
    nlohmann::json value() const { return nlohmann::json::parse(out); }
};

inline Answer run(std::vector<std::string> words) {
    std::vector<const char*> argv{"yemvo-cli"};
    for (const std::string& w : words) argv.push_back(w.c_str());
    std::ostringstream out, err;
    const int code = yemvo::cli::run(static_cast<int>(argv.size()), argv.data(), out, err);
    return {code, out.str(), err.str()};
}

}  // namespace yemvo::test
