// SPDX-License-Identifier: GPL-3.0-or-later
// What goes wrong at the edge: files and what people type.
#pragma once
#include <stdexcept>
#include <string>

namespace yemvo {

/// A failure a person can be told about: what happened, where (file, field, place), and what to do about it.
class Error : public std::runtime_error {
public:
    Error(std::string what, std::string where = {}, std::string remedy = {});
    const std::string& summary() const { return summary_; }
    const std::string& where() const { return where_; }
    const std::string& remedy() const { return remedy_; }

private:
    std::string summary_, where_, remedy_;
};

/// Thrown out of a computation whose CancelToken was set.
class Cancelled : public std::runtime_error {
public:
    Cancelled() : std::runtime_error("cancelled") {}
};

}  // namespace yemvo
