// SPDX-License-Identifier: GPL-3.0-or-later
// Painting where there is no window and no display.
#pragma once
#include <memory>

class QGuiApplication;

namespace yemvo::render {

/// Text and PDF pages need an application: makes one that shows nothing unless there is one already.
class Headless {
public:
    Headless();
    ~Headless();
    Headless(const Headless&) = delete;
    Headless& operator=(const Headless&) = delete;

private:
    std::unique_ptr<QGuiApplication> application_;
};

}  // namespace yemvo::render
