// SPDX-License-Identifier: GPL-3.0-or-later
// What goes wrong at the edge: files and what people type.
#pragma once
#include <stdexcept>
#include <string>

#include "base/said.h"

namespace yemvo {

/// A failure a person can be told about: what happened, where (file, field, place), and what to do about it.
/// what() is the English sentence.
class Error : public std::runtime_error {
public:
    Error(Said what, Said where = {}, Said remedy = {});
    const Said& summary() const { return summary_; }
    const Said& where() const { return where_; }
    const Said& remedy() const { return remedy_; }
    /// "where: what. remedy", of those that there are.
    Said told() const;

private:
    Said summary_, where_, remedy_;
};

/// Thrown out of a computation whose CancelToken was set.
class Cancelled : public std::runtime_error {
public:
    Cancelled() : std::runtime_error("cancelled") {}
};

}  // namespace yemvo
