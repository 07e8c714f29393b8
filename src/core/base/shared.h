// SPDX-License-Identifier: GPL-3.0-or-later
// A part of the project that copies share until one of them writes.
#pragma once
#include <memory>

namespace yemvo {

/// Copying a Shared copies a pointer; edit() makes the value this holder's own first, which it is already
/// where nobody else holds it: an edit of a thousand things copies the list once. Two holders with same() are
/// known to be equal without looking inside, which is how changed parts are found.
template <class T>
class Shared {
public:
    Shared() : value_(empty()) {}
    Shared(T value) : value_(std::make_shared<T>(std::move(value))) {}
    const T& operator*() const { return *value_; }
    const T* operator->() const { return value_.get(); }
    bool same(const Shared& other) const { return value_ == other.value_; }
    const void* identity() const { return value_.get(); }
    T& edit() {
        // only this holder can make a second one of a value that it alone holds
        if (value_.use_count() != 1) value_ = std::make_shared<T>(*value_);
        return const_cast<T&>(*value_);
    }
    friend bool operator==(const Shared& a, const Shared& b) { return a.same(b) || *a.value_ == *b.value_; }

private:
    static const std::shared_ptr<const T>& empty() {
        static const std::shared_ptr<const T> value = std::make_shared<T>();
        return value;
    }
    std::shared_ptr<const T> value_;
};

}  // namespace yemvo
