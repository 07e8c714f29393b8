// SPDX-License-Identifier: GPL-3.0-or-later
// Looks for findings behind the window, always in the newest project.
#pragma once
#include <QObject>
#include <memory>

#include "app/behind/behind.h"
#include "app/model/prediction.h"
#include "checks/findings.h"

namespace yemvo::app {

class FindingsRunner : public QObject {
    Q_OBJECT
public:
    explicit FindingsRunner(QObject* parent = nullptr);
    /// `prediction`: what is known of the site's air; may be null.
    void request(const Project&, std::shared_ptr<const Prediction> prediction);
    bool is_idle() const { return behind_.is_idle(); }

signals:
    void found(const std::shared_ptr<const std::vector<yemvo::Finding>>&);
    void failed(const QString& why);

private:
    SceneCache masks_;
    Behind behind_;
};

}  // namespace yemvo::app
