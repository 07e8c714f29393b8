// SPDX-License-Identifier: GPL-3.0-or-later
// The line at the foot: what the tool does now and its keys; where the pointer is; what runs behind.
#pragma once
#include <QElapsedTimer>
#include <QWidget>
#include <vector>

#include "app/offer/hint.h"

class QLabel;
class QPushButton;

namespace yemvo::app {

class StatusLine : public QWidget {
    Q_OBJECT
public:
    explicit StatusLine(QWidget* parent = nullptr);
    void set_hint(const QString& tool, const std::vector<HintPart>&);
    /// Instead of the hint, until the next hint.
    void set_message(const QString&, bool is_fault);
    void set_place(const QString&);
    void set_floor(const QString&);
    void set_scale(const QString&);
    void set_units(const QString&);
    void set_work(const QString& state, bool can_cancel);
    bool is_working() const { return working_; }
    QString message() const { return message_; }
    QString work() const;

signals:
    void cancel_asked();

private:
    void paintEvent(QPaintEvent*) override;
    QString tool_, message_;
    QElapsedTimer told_;
    bool fault_ = false, working_ = false;
    std::vector<HintPart> hint_;
    QLabel *place_, *floor_, *scale_, *units_, *work_;
    QPushButton* cancel_;
};

}  // namespace yemvo::app
