// SPDX-License-Identifier: GPL-3.0-or-later
// The header: menus, the five steps with what is missing in each, and what features put at its right end.
#pragma once
#include <QAbstractButton>
#include <QMenuBar>
#include <optional>
#include <vector>

#include "app/model/activity.h"
#include "app/model/workspace.h"
#include "coverage/verdict.h"

namespace yemvo::app {

class StepButton : public QAbstractButton {
    Q_OBJECT
public:
    StepButton(const char* name, QWidget* parent);
    void set_mark(const QString& mark);
    const QString& mark() const { return mark_; }
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    QString mark_;
};

class HeaderBar : public QWidget {
    Q_OBJECT
public:
    explicit HeaderBar(Workspace&, QWidget* parent = nullptr);
    QMenuBar& menus() { return *menus_; }
    /// At the right end, after what is there.
    void add(QWidget*);

private:
    void refresh();
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    QMenuBar* menus_;
    std::vector<StepButton*> steps_;
};

/// What a step still lacks, or what it holds: "2 floors to draw".
QString step_mark(const Project&, Step, const std::optional<Verdict>&);

}  // namespace yemvo::app
